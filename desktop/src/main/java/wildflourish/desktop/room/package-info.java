/** What a room of the window is, and what it is given to work with. The rooms themselves know no other room. Uses action, desk, hearing, look and view. */
package wildflourish.desktop.room;
