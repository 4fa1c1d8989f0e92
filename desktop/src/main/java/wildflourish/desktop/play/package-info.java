/** Sound: the engine that mixes and feeds a line, the loudspeaker and its stand-ins. Uses no interface code. */
package wildflourish.desktop.play;
