package wildflourish.core.version;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.tune.NoteId;

/**
 * A place of the tune where the teacher has decided something: options, the first of which is played and the others kept, and the
 * teacher's own sentence.
 *
 * @param at the note it begins on; every option's span begins there
 * @param sentence empty when there is none
 */
public record Spot(NoteId at, List<Placement> options, String sentence) {
    public Spot {
        options = List.copyOf(options);
        for (Placement option : options) {
            if (!option.span().first().equals(at)) {
                throw new IllegalArgumentException("an option at " + at + " begins there, not at " + option.span());
            }
        }
    }

    public static Spot of(Placement placement) {
        return new Spot(placement.span().first(), List.of(placement), "");
    }

    /** What is played a given time through: the first option that holds then. */
    public Optional<Placement> playedOn(int pass) {
        return options.stream().filter(option -> option.passes().has(pass)).findFirst();
    }

    /** The first option, whatever its passes. */
    public Optional<Placement> first() {
        return options.stream().findFirst();
    }

    public boolean isEmpty() {
        return options.isEmpty() && sentence.isEmpty();
    }

    /** The placement becomes the one that is played; what was played before it is gone, other options stay. */
    public Spot withPlayed(Placement placement) {
        List<Placement> changed = new ArrayList<>(options);
        changed.remove(placement);
        if (!changed.isEmpty() && !options.get(0).equals(placement)) {
            changed.remove(0);
        }
        changed.add(0, placement);
        return changed.equals(options) ? this : new Spot(at, changed, sentence);
    }

    /** A further option, kept but not played; the same instance when it is there already. */
    public Spot withOption(Placement placement) {
        if (options.contains(placement)) {
            return this;
        }
        List<Placement> changed = new ArrayList<>(options);
        changed.add(placement);
        return new Spot(at, changed, sentence);
    }

    /** The next option becomes the one that is played, the played one goes to the end. */
    public Spot withNextOption() {
        if (options.size() < 2) {
            return this;
        }
        List<Placement> turned = new ArrayList<>(options.subList(1, options.size()));
        turned.add(options.get(0));
        return new Spot(at, turned, sentence);
    }

    public Spot withSentence(String words) {
        return words.equals(sentence) ? this : new Spot(at, options, words);
    }
}
