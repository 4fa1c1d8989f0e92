package wildflourish.desktop.command;

/** Something the user asked for that cannot be: one line that says what, where and what to do. */
final class UsageException extends RuntimeException {
    UsageException(String line) {
        super(line);
    }
}
