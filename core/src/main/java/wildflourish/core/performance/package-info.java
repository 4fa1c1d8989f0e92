/** A version worked out into moments of sound, fingers, tongue and breath: the realisation. Uses placing and all it uses. */
package wildflourish.core.performance;
