/** Tunebooks in ABC 2.1: reading with problems told and nothing lost, and the lesson file with its written-out versions. */
package wildflourish.files.abc;
