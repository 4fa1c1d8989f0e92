package wildflourish.core.fingering;

import java.util.List;

/** A list known by being the very same one: what can be chosen for a pitch is worked out once and shared by all notes of that pitch. */
record Same<T>(List<T> list) {
    @Override
    public boolean equals(Object other) {
        return other instanceof Same<?> same && same.list == list;
    }

    @Override
    public int hashCode() {
        return System.identityHashCode(list);
    }
}
