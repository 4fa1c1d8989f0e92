/** What a teacher makes of a tune: placements, spots, versions, stairs, books, and changes as values with an inverse. Uses tune, instrument and ornament. */
package wildflourish.core.version;
