package wildflourish.desktop.command;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import wildflourish.core.hand.Held;
import wildflourish.core.hand.Voice;
import wildflourish.core.instrument.Hole;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Begin;
import wildflourish.core.ornament.Profile;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Realisation;
import wildflourish.core.performance.Realiser;
import wildflourish.core.placing.Remark;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Version;
import wildflourish.core.words.Words;

@Command(
        name = "realise",
        description = "Works a tune or a version out into moments: what sounds, what moves, from when to when.")
final class RealiseCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec = CommandSpec.create();

    @Mixin
    private SpotAsked spot = new SpotAsked();

    @Option(names = "--student", description = "fluent, steady or learner")
    private String student = Profile.usual().id();

    @Option(names = "--school", description = "schools of striking and of the hand, joined by +")
    private String school = "–";

    @Option(names = "--no-drones", description = "without the drones of pipes")
    private boolean withoutDrones;

    @Option(names = "--format", description = "table, json or csv")
    private Listing.Format format = Listing.Format.TABLE;

    @Override
    public Integer call() {
        SpotAsked.Found found = spot.read(spec.commandLine().getErr(), 1);
        Version version = Asked.schooled(found.tune(), found.version(), school);
        Realisation whole = Realiser.realise(found.tune(), version, Asked.profile(student));
        Realisation heard = withoutDrones ? whole.withoutDrones() : whole;
        Map<NoteId, Integer> numbers = numbers(found.tune());
        List<Map<String, ?>> rows = new ArrayList<>();
        Optional<Held> before = Optional.empty();
        for (Moment moment : heard.moments()) {
            rows.add(row(moment, heard, numbers, before));
            before = moment.held().or(() -> Optional.empty());
        }
        tellUnfit(found.tune(), version);
        Listing.print(
                spec.commandLine().getOut(),
                rows,
                format,
                List.of(
                        "startMillis and endMillis: milliseconds from the beginning. note: of the tune, from 1. hz: hertz.",
                        "begins: whether a voice is struck there. moves: what the body does, tongue or bow first, then fingers from the mouth down."));
        return Flourish.DONE;
    }

    /** What does not fit is played as far as it can be, or not at all: said on the standard error, with its place. */
    private void tellUnfit(Tune tune, Version version) {
        for (Remark remark : Remark.of(tune, version, Asked.profile(student))) {
            if (remark instanceof Remark.Unfit) {
                spec.commandLine().getErr().println("flourish: " + Words.of(remark, tune, version));
            }
        }
    }

    private static Map<NoteId, Integer> numbers(Tune tune) {
        Map<NoteId, Integer> numbers = new HashMap<>();
        for (Note note : tune.notes()) {
            if (!note.isRest()) {
                numbers.put(note.id(), numbers.size() + 1);
            }
        }
        return numbers;
    }

    private static Map<String, Object> row(
            Moment moment, Realisation heard, Map<NoteId, Integer> numbers, Optional<Held> before) {
        Map<String, Object> row = new LinkedHashMap<>();
        row.put("startMillis", rounded(moment.startMillis()));
        row.put("endMillis", rounded(moment.endMillis()));
        row.put("note", Optional.ofNullable(numbers.get(moment.cue().note())));
        List<Object> voices = new ArrayList<>();
        moment.sounding().stream()
                .flatMap(sounding -> sounding.voices().stream())
                .forEach(voice -> voices.add(voice(voice)));
        heard.drones()
                .forEach(drone -> voices.add(voice(
                        moment.startMillis().isZero()
                                ? new Voice(drone.lane(), drone.pitch(), drone.written(), true, drone.glide())
                                : drone)));
        row.put("voices", voices);
        row.put("moves", moves(moment, before));
        return row;
    }

    private static double rounded(Fraction millis) {
        return Math.round(millis.toDouble() * 10_000) / 10_000.0;
    }

    private static Map<String, Object> voice(Voice voice) {
        Map<String, Object> each = new LinkedHashMap<>();
        each.put("lane", voice.lane());
        each.put("written", voice.written().map(Object::toString));
        each.put("hz", Math.round(voice.pitch().hertz() * 100) / 100.0);
        each.put("begins", voice.begins());
        each.put("curve", voice.glide().toString());
        return each;
    }

    /** What moves where a moment begins: tongue or throat, then the fingers from the mouth down. */
    private static List<String> moves(Moment moment, Optional<Held> before) {
        List<String> moves = new ArrayList<>();
        moment.sounding()
                .map(Moment.Sounding::begin)
                .filter(begin -> begin.isStruck() || begin == Begin.PUSH)
                .ifPresent(begin -> moves.add(begin.name().toLowerCase(Locale.ROOT)));
        if (moment.held().isEmpty()) {
            return moves;
        }
        Held now = moment.held().get();
        for (int hole = 1; hole <= now.fingering().holes().size(); hole++) {
            Hole to = now.fingering().at(hole);
            boolean hasMoved = before.isEmpty() || before.get().fingering().at(hole) != to;
            if (hasMoved) {
                moves.add("finger " + now.fingering().nameOf(hole) + " "
                        + to.name().toLowerCase(Locale.ROOT));
            }
        }
        boolean isOtherBreath = before.isPresent() && before.get().breath() != now.breath();
        if (isOtherBreath) {
            moves.add("breath " + now.breath().name().toLowerCase(Locale.ROOT));
        }
        return moves;
    }
}
