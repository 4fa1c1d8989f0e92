/** MusicXML 4.0 (W3C, partwise): tunes and versions written, tunes read as text in ABC; the format's model is the library's. */
package wildflourish.files.musicxml;
