package wildflourish.core.table;

/** A fault in one of our own tables: the message names file, line and what is wrong. */
public final class TableException extends RuntimeException {
    public TableException(String file, int line, String fault) {
        super(file + " line " + line + ": " + fault);
    }
}
