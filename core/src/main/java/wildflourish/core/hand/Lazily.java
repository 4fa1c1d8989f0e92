package wildflourish.core.hand;

import java.util.Optional;
import java.util.function.Supplier;

/** Something that is worked out once, when it is first asked for. */
final class Lazily<T> {
    private final Supplier<T> work;
    private Optional<T> known = Optional.empty();

    Lazily(Supplier<T> work) {
        this.work = work;
    }

    synchronized T get() {
        if (known.isEmpty()) {
            known = Optional.of(work.get());
        }
        return known.get();
    }
}
