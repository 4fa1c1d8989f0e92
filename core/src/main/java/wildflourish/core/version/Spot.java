package wildflourish.core.version;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.tune.NoteId;

/**
 * A place of the tune where the teacher has decided something: options, the first of which is played and the others kept, the teacher's own
 * sentence, a fingering to keep to.
 *
 * @param at the note it begins on; every option's span begins there
 * @param sentence empty when there is none
 * @param pin the fingering that the plain note keeps, as the instrument's chart writes it; empty where the program may choose
 */
public record Spot(NoteId at, List<Placement> options, String sentence, String pin) {
    public Spot {
        options = List.copyOf(options);
        for (Placement option : options) {
            if (!option.span().first().equals(at)) {
                throw new IllegalArgumentException("an option at " + at + " begins there, not at " + option.span());
            }
        }
    }

    public static Spot of(Placement placement) {
        return bare(placement.span().first()).withOption(placement);
    }

    /** Where nothing has been decided yet. */
    public static Spot bare(NoteId at) {
        return new Spot(at, List.of(), "", "");
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
        return options.isEmpty() && sentence.isEmpty() && pin.isEmpty();
    }

    /** The placement becomes the one that is played; what was played before it is gone, other options stay. */
    public Spot withPlayed(Placement placement) {
        List<Placement> changed = new ArrayList<>(options);
        changed.remove(placement);
        if (!changed.isEmpty() && !options.get(0).equals(placement)) {
            changed.remove(0);
        }
        changed.add(0, placement);
        return withOptions(changed);
    }

    /** A further option, kept but not played; the same instance when it is there already. */
    public Spot withOption(Placement placement) {
        if (options.contains(placement)) {
            return this;
        }
        List<Placement> changed = new ArrayList<>(options);
        changed.add(placement);
        return withOptions(changed);
    }

    /** With these options in place of what was there; each begins here. */
    public Spot withOptions(List<Placement> changed) {
        return changed.equals(options) ? this : new Spot(at, changed, sentence, pin);
    }

    /** The next option becomes the one that is played, the played one goes to the end. */
    public Spot withNextOption() {
        if (options.size() < 2) {
            return this;
        }
        List<Placement> turned = new ArrayList<>(options.subList(1, options.size()));
        turned.add(options.get(0));
        return withOptions(turned);
    }

    public Spot withSentence(String words) {
        return words.equals(sentence) ? this : new Spot(at, options, words, pin);
    }

    public Spot withPin(String fingering) {
        return fingering.equals(pin) ? this : new Spot(at, options, sentence, fingering);
    }
}
