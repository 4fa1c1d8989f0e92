/** The plain tune before any ornament: how it is built, what it needs, where it lies well. A room; uses room. */
package wildflourish.desktop.lookover;
