/** What the plain tune takes on an instrument: the notes it needs, its hard spots and grade, the instruments it fits best. Uses music, table, tune, form, instrument and fingering. */
package wildflourish.core.plain;
