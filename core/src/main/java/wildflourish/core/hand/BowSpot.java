package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import wildflourish.core.fingering.StringWay;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Strings;
import wildflourish.core.line.Tone;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Figure;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.tune.Note;

/** A figure on bowed strings: every way of holding its notes where the hand lies, and which fingers can do what. */
final class BowSpot {
    /** The stretched fourth finger takes no ornament. */
    private static final String STRETCHED = "H4";

    final Occasion occasion;
    final Figure figure;
    final Instrument instrument;
    final Strings strings;
    final BesideStrings beside;
    /** The way that the path takes comes first. */
    final List<Grasp> grasps;

    BowSpot(Occasion occasion, Figure figure) {
        this.occasion = occasion;
        this.figure = figure;
        this.instrument = occasion.playing().instrument();
        this.strings = instrument.strings().orElseThrow();
        this.beside = new BesideStrings(this);
        this.grasps = grasps();
    }

    private List<Grasp> grasps() {
        List<Grasp> all = new ArrayList<>();
        for (List<Strings.Place> span : Grasp.spans(occasion.tones(), this::places)) {
            boolean isStretched =
                    span.stream().anyMatch(place -> place.stop().name().equals(STRETCHED));
            for (Optional<Strings.Place> before :
                    isStretched ? List.<Optional<Strings.Place>>of() : nextTo(occasion.before())) {
                nextTo(occasion.after()).forEach(after -> all.add(new Grasp(before, span, after)));
            }
        }
        return List.copyOf(all);
    }

    private List<Optional<Strings.Place>> nextTo(Optional<Tone> tone) {
        List<Optional<Strings.Place>> places = tone.stream()
                .flatMap(each -> places(each).stream())
                .map(Optional::of)
                .toList();
        return places.isEmpty() ? List.of(Optional.empty()) : places;
    }

    /** Where a note can be held with the hand where the path has it; as pinned, where the teacher has pinned it. The path's own place comes first. */
    private List<Strings.Place> places(Tone tone) {
        Note note = tone.note();
        Optional<StringWay> way = occasion.ways().onStrings(note.id());
        int position = way.map(each -> each.place().position()).orElse(0);
        String pin = occasion.ways().pinOnStrings(note.id());
        List<Strings.Place> all = strings.placesOf(instrument.reading().fingered(tone.melody())).stream()
                .filter(place -> pin.isEmpty()
                        ? place.position() == position
                        : pin.startsWith(name(place)) && (!place.isOpen() || place.position() == position))
                .sorted(Comparator.comparing(place -> !way.map(StringWay::place).equals(Optional.of(place))))
                .toList();
        return all;
    }

    /** Whether an open string has the pitch of a note. */
    boolean isOpenPitch(Tone asked) {
        return strings.placesOf(instrument.reading().fingered(asked.melody())).stream()
                .anyMatch(Strings.Place::isOpen);
    }

    /** As players and pins call it, {@code D3}. */
    String name(Strings.Place place) {
        return strings.stringName(place.string()) + place.stop().name();
    }

    // Pitches

    Note note() {
        return occasion.first().note();
    }

    /** What the first tone sounds. */
    WrittenPitch written() {
        return occasion.first().melody();
    }

    WrittenPitch step(int steps) {
        WrittenPitch natural = WrittenPitch.ofStaffStep(written().staffStep() + steps);
        return natural.withAlter(occasion.setting().key().alterOf(natural.step()));
    }

    /** Where a pitch lies under the hand, on the string of a note or else on the next one. */
    Optional<Strings.Place> near(Grasp grasp, WrittenPitch written) {
        return strings.placesOf(instrument.reading().fingered(written)).stream()
                .filter(place -> place.position() == grasp.position() && Math.abs(place.string() - grasp.string()) <= 1)
                .min(Comparator.comparing(place -> place.string() != grasp.string()));
    }

    /** Whether a lower finger, or in first position the open string, sounds a pitch on the string of the note. */
    boolean hasBelow(Grasp grasp, WrittenPitch written) {
        FingeredPitch pitch = instrument.reading().fingered(written);
        return strings.placesOf(pitch).stream()
                .anyMatch(place -> place.string() == grasp.string()
                        && place.position() == grasp.position()
                        && place.stop().finger() < grasp.finger()
                        && (!place.isOpen() || grasp.position() == 0));
    }

    // Fingers

    private boolean isCran() {
        return occasion.stack().main().ornament().kind() == Ornament.Kind.CRAN;
    }

    /** The finger that brushes first, 0 where there is none; another school's where that of this one has only just played on the string. */
    int flick(Grasp grasp) {
        int finger = grasp.finger();
        if (isCran()) {
            return finger > 2 ? 0 : finger == 2 ? 4 : 3;
        }
        for (String school : schools()) {
            int flick = flick(school, finger);
            if (flick > 0 && !hasJustPlayed(grasp, flick)) {
                return flick;
            }
        }
        return 0;
    }

    private List<String> schools() {
        List<String> all = new ArrayList<>(List.of("third-finger", "next-finger", "third-above"));
        all.sort(Comparator.comparing(school -> !occasion.isIn(school)));
        return all;
    }

    private static int flick(String school, int finger) {
        if (finger > 3) {
            return 0;
        }
        return switch (school) {
            case "next-finger" -> finger + 1;
            case "third-above" -> Math.min(4, finger + 2);
            default -> finger == 3 ? 4 : 3;
        };
    }

    /** Whether a finger is there to brush at all, just played or not. */
    boolean hasFlick(Grasp grasp) {
        return isCran() ? grasp.finger() <= 2 : grasp.finger() <= 3;
    }

    private static boolean hasJustPlayed(Grasp grasp, int finger) {
        return grasp.before()
                .filter(place ->
                        place.string() == grasp.string() && place.stop().finger() == finger)
                .isPresent();
    }

    /** The second finger of two that brush in turn. */
    static int second(Grasp grasp) {
        return grasp.finger() + 1;
    }
}
