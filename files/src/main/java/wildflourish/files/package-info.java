/**
 * Everything that is read or written outside the program. Uses the core, never the interface.
 *
 * <pre>
 * abc     tunebooks in ABC 2.1: reading, written-out versions, the lesson file
 * store   books on the disk: encoding kept, saved aside and renamed
 * paint   display lists as PDF, SVG and PNG
 * midi    realisations as Standard MIDI Files
 * wav     samples as RIFF WAVE
 * export  one version of a tune in each of these forms
 * </pre>
 */
package wildflourish.files;
