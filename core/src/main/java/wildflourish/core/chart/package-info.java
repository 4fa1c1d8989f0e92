/** Charts of instruments, to hang on the wall: each as it is, with its notes where the hand finds them. Uses engraving and all it uses. */
package wildflourish.core.chart;
