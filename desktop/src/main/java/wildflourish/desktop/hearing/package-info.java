/** What is chosen, heard: plays stages, phrases and single ornaments, and goes on in place when something of them changes. Uses desk and play. */
package wildflourish.desktop.hearing;
