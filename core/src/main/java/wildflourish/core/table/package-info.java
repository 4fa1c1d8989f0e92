/** The strict loader of commented tables in the resources; a fault names file and line. Uses nothing. */
package wildflourish.core.table;
