/** Speed, measured by JMH: one class a room, one method a row of the budgets. Uses core and files. */
package wildflourish.bench;
