/** What is open, chosen and done: one observable state, and the verbs that change it. Uses play. */
package wildflourish.desktop.desk;
