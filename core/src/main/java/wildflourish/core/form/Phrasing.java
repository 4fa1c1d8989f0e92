package wildflourish.core.form;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.music.Fraction;
import wildflourish.core.tune.Form;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Part;
import wildflourish.core.tune.Tune;

/** The phrases of a tune, named by what comes back, or as the teacher has named them. */
public final class Phrasing {
    private final Tune tune;
    private final List<Phrase> phrases = new ArrayList<>();
    /** Of the phrases that are not the same as one before, by name, in their order. */
    private final Map<String, Contour> contours = new LinkedHashMap<>();

    private final Map<String, Integer> families = new HashMap<>();
    private final Map<Part, Integer> numbers = new HashMap<>();

    private Phrasing(Tune tune) {
        this.tune = tune;
    }

    public static Phrasing of(Tune tune) {
        Phrasing phrasing = new Phrasing(tune);
        tune.form().stretches().forEach(phrasing::add);
        return phrasing;
    }

    private void add(Form.Stretch stretch) {
        Part part = stretch.part();
        if (tune.bars().get(stretch.firstBar()).isAdded()) {
            phrases.add(new Phrase(part, part.name(), stretch.firstBar(), stretch.lastBar(), Optional.empty()));
            return;
        }
        Contour contour = Contour.of(tune, stretch.firstBar(), stretch.lastBar(), pickupOf(part));
        Optional<Phrase.Likeness> like = nearest(contour);
        boolean isSame = like.map(each -> each.kind() == Phrase.Kind.SAME).orElse(false);
        String usual = isSame ? like.get().earlier() : fresh(part);
        String name = stretch.name().orElse(usual);
        int family = like.filter(each -> each.kind().isFamily())
                .flatMap(each -> Optional.ofNullable(families.get(each.earlier())))
                .orElse(phrases.size());
        families.putIfAbsent(name, family);
        phrases.add(new Phrase(part, name, stretch.firstBar(), stretch.lastBar(), like));
        contours.putIfAbsent(name, contour);
    }

    /** The next number of the part that no phrase is called by yet. */
    private String fresh(Part part) {
        String name = part.name() + numbers.merge(part, 1, Integer::sum);
        return contours.containsKey(name) ? fresh(part) : name;
    }

    /** How long the part's own pickup is, in whole notes. */
    private Fraction pickupOf(Part part) {
        int bar = part.firstBar();
        return tune.form().isPickup(bar) ? tune.bars().get(bar).length() : Fraction.ZERO;
    }

    /** The nearest likeness to any phrase before; of equally near ones the first. */
    private Optional<Phrase.Likeness> nearest(Contour contour) {
        Optional<Phrase.Likeness> nearest = Optional.empty();
        for (Map.Entry<String, Contour> earlier : contours.entrySet()) {
            Optional<Phrase.Likeness> like = contour.likenessTo(earlier.getValue(), earlier.getKey());
            boolean isNearer = like.isPresent()
                    && (nearest.isEmpty()
                            || like.get().kind().compareTo(nearest.get().kind()) < 0);
            nearest = isNearer ? like : nearest;
        }
        return nearest;
    }

    /** The note that stands, where a phrase that comes again is heard for the first time, for one of it; itself where that is the first time. Empty where the phrase comes only once. */
    public Optional<NoteId> firstOf(NoteId note) {
        Phrase own = at(tune.placeOf(note).bar());
        int family = familyOf(own);
        List<Phrase> members =
                phrases.stream().filter(each -> familyOf(each) == family).toList();
        if (members.size() < 2) {
            return Optional.empty();
        }
        Phrase first = members.get(0);
        int bar = begin(first) + tune.placeOf(note).bar() - begin(own);
        if (bar < first.firstBar() || bar > first.lastBar()) {
            return Optional.empty();
        }
        Fraction offset = tune.placeOf(note).offset();
        return tune.bars().get(bar).notes().stream()
                .map(Note::id)
                .filter(each -> tune.placeOf(each).offset().equals(offset))
                .findFirst();
    }

    /** The first bar of a phrase that is no pickup. */
    private int begin(Phrase phrase) {
        return phrase.firstBar() + (tune.form().isPickup(phrase.firstBar()) ? 1 : 0);
    }

    /** In the order of the tune as written. */
    public List<Phrase> phrases() {
        return List.copyOf(phrases);
    }

    /** Throws IllegalArgumentException for a bar the tune does not have. */
    public Phrase at(int bar) {
        return phrases.stream()
                .filter(phrase -> phrase.has(bar))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("the tune has no bar " + bar));
    }

    /** The family of a phrase: phrases with the same number are one tune's kin. */
    public int familyOf(Phrase phrase) {
        return families.getOrDefault(phrase.name(), -1);
    }

    /** Bars as written, without pickups and with one ending for each place. */
    public int bars() {
        return phrases.stream().mapToInt(phrase -> counted(phrase).size()).sum();
    }

    private List<Integer> counted(Phrase phrase) {
        List<Integer> counted = new ArrayList<>();
        for (int bar = phrase.firstBar(); bar <= phrase.lastBar(); bar++) {
            if (!tune.form().isPickup(bar)
                    && !isFurtherEnding(phrase, bar)
                    && !tune.bars().get(bar).notes().isEmpty()) {
                counted.add(bar);
            }
        }
        return counted;
    }

    /** Bars that are to be learned: those that come back, in whatever phrase, are counted once. */
    public int barsToLearn() {
        List<Contour> known = new ArrayList<>();
        for (Phrase phrase : phrases) {
            List<Integer> bars = counted(phrase);
            for (int i = 0; i < bars.size(); i++) {
                learn(known, bars.get(i), i + 1 == bars.size() ? pickupOf(phrase.part()) : Fraction.ZERO);
            }
        }
        return known.size();
    }

    private boolean isFurtherEnding(Phrase phrase, int bar) {
        int endings = 0;
        for (int i = phrase.firstBar(); i <= bar; i++) {
            endings += tune.bars().get(i).ending().isEmpty() ? 0 : 1;
        }
        return endings > 1;
    }

    private void learn(List<Contour> known, int bar, Fraction pickup) {
        Contour contour = Contour.of(tune, bar, bar, pickup);
        if (known.stream().noneMatch(contour::isSame)) {
            known.add(contour);
        }
    }
}
