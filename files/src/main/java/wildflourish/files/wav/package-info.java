/** Samples as RIFF WAVE files. */
package wildflourish.files.wav;
