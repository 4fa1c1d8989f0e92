/** Everything one can do: the table of actions, the registry that says what each does, and the controls and keys made from it. Uses look. */
package wildflourish.desktop.action;
