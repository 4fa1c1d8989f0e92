/** Which of several fingerings to take for each note of a line: the shortest way over the phrase. Uses music, table, tune and instrument. */
package wildflourish.core.fingering;
