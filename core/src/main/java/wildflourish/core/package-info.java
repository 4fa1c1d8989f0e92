/**
 * The heart of Wild Flourish: tunes, ornaments, fingerings, timing and engraving, with no interface, no file access and no library but
 * the JDK.
 *
 * <p>One package, one job; each may use only those above it:
 *
 * <pre>
 * problem       what went wrong with a user's text, as a value with a place and a hint
 * music         exact time, written / fingered / sounding pitch, key, metre, tempo
 * table         the strict loader of the commented tables in the resources
 * path          the cheapest way through a row of choices, exactly, and the next cheapest
 * tune          the plain melody: notes with an identity, bars, form, order of playing
 * form          what is to be learned of a plain tune: phrases and their likeness, where it starts, how its parts join
 * instrument    fingerings, charts, buttons and readings, from tables
 * fingering     which of several fingerings or buttons to take for each note of a line: the shortest way
 * plain         what the plain tune takes on an instrument: needs, hard spots, grade, best fit
 * ornament      what ornaments do with a span, in one grammar for every instrument; what may refuse them; the times they need; from tables
 * version       what a teacher places: placements, layers, spots, versions, stairs, lessons, books, and every change to them
 * line          tune and version as tones in playing order, after the layers have done their work
 * hand          what a hand makes of a figure: sounds, movements and their times, or why it cannot
 * placing       which ornament fits a spot and why (predicates over the facts of the spot); what a critic says of a version
 * performance   a version worked out into moments: voices, fingers, tongue and breath
 * words         the one place where reasons, refusals, gestures and remarks become sentences
 * sound         the sounding line of a realisation as samples
 * engraving     a tune or a version laid out as a display list, for any painter
 * chart         instruments as they are, with their notes where the hand finds them, for any painter
 * </pre>
 *
 * <p>Data flows one way: tune → version → line → ways of the hand → realisation → pictures, sound and written-out notes. Nothing but {@code performance} works an
 * ornament out.
 *
 * <p>Verbs: {@code of} builds from parts, {@code parse} reads the form {@code toString} writes, {@code from} converts, {@code with}
 * returns a changed copy (the same instance when nothing changes), {@code plus}/{@code minus}/{@code times} calculate, {@code at} looks
 * up. No method takes or returns null; a list that is returned cannot be changed. A programmer's mistake throws an exception that names
 * subject, rule and value; a user's mistake is returned as a {@link wildflourish.core.problem.Problem}.
 */
package wildflourish.core;
