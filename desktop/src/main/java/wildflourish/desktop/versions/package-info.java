/** Two versions held against each other, phrases put together, times through planned. Knows no other room. */
package wildflourish.desktop.versions;
