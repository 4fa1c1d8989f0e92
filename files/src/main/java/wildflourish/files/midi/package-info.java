/** Realisations as Standard MIDI Files. */
package wildflourish.files.midi;
