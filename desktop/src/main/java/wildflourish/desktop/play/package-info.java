/** Sound: a player whose clock says what is heard, and the loudspeaker or its silent stand-in. Uses no interface code. */
package wildflourish.desktop.play;
