/** Which instrument a tune lies best on, and in which key. A room; uses room. */
package wildflourish.desktop.fit;
