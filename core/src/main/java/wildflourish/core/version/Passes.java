package wildflourish.core.version;

import java.util.Collections;
import java.util.Set;
import java.util.TreeSet;

/** The times through a repeat for which something holds; an empty set is every time. */
public record Passes(Set<Integer> numbers) {
    public static final Passes EVERY = new Passes(Set.of());

    public Passes {
        for (int number : numbers) {
            if (number < 1) {
                throw new IllegalArgumentException("times through count from 1: " + numbers);
            }
        }
        numbers = Collections.unmodifiableSet(new TreeSet<>(numbers));
    }

    public static Passes only(int number) {
        return new Passes(Set.of(number));
    }

    public boolean isEvery() {
        return numbers.isEmpty();
    }

    public boolean has(int number) {
        return isEvery() || numbers.contains(number);
    }
}
