/** What is to be learned of a plain tune: its phrases, which of them come back or are alike, where it starts, how its parts join. Uses music and tune. */
package wildflourish.core.form;
