package wildflourish.core.hand;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.fingering.Balance;
import wildflourish.core.fingering.ButtonOption;
import wildflourish.core.fingering.ButtonTables;
import wildflourish.core.fingering.ButtonWay;
import wildflourish.core.fingering.FingeringPath;
import wildflourish.core.fingering.Habit;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.fingering.StringWay;
import wildflourish.core.instrument.ChartRow;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Figure;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/**
 * How the hand holds the notes of a version: the shortest way through the tune, with the usual fingering where an ornament stands, since it is made from
 * that, and the teacher's where one is pinned. A written note keeps its way for all times through.
 */
public final class Ways {
    private final Instrument instrument;
    private final FingeringPath path;
    /** What the teacher has decided, note by note. */
    private final Map<NoteId, Fingering> pins;
    /** How notes are held and struck on strings. */
    private final Map<NoteId, StringWay> onStrings;

    private final Map<NoteId, String> pinsOnStrings;
    /** Which buttons notes are played by. */
    private final Map<NoteId, ButtonOption> onButtons;

    private final Map<NoteId, Balance> balances;
    /** What the tune costs the hand on buttons, worked out when it is first asked for. */
    private final Lazily<Optional<ButtonTables>> tables;
    /** What ornaments of the tune ask on buttons; empty elsewhere. */
    private final Optional<ButtonDemands> demands;

    private Ways(
            Instrument instrument,
            FingeringPath path,
            Map<NoteId, Fingering> pins,
            Map<NoteId, StringWay> onStrings,
            Map<NoteId, String> pinsOnStrings,
            Map<NoteId, ButtonOption> onButtons,
            Map<NoteId, Balance> balances,
            Lazily<Optional<ButtonTables>> tables,
            Optional<ButtonDemands> demands) {
        this.demands = demands;
        this.instrument = instrument;
        this.path = path;
        this.pins = Map.copyOf(pins);
        this.onStrings = Map.copyOf(onStrings);
        this.pinsOnStrings = Map.copyOf(pinsOnStrings);
        this.onButtons = Map.copyOf(onButtons);
        this.balances = Map.copyOf(balances);
        this.tables = tables;
    }

    private static final Lazily<Optional<ButtonTables>> NO_TABLES = new Lazily<>(Optional::empty);

    public static Ways of(Tune tune, Version version) {
        return of(tune, version, Hands.lines(tune, version), Profile.usual());
    }

    /** For a student. */
    public static Ways of(Tune tune, Version version, Profile profile) {
        return of(tune, version, Hands.lines(tune, version), profile);
    }

    /** With what the hands do on strings or buttons. */
    static Ways of(Tune tune, Version version, Optional<HandLines> lines, Profile profile) {
        return of(tune, tune.notes(), version, lines, profile);
    }

    /** The same, where the notes on holes are not all those of the tune as it is written. */
    static Ways of(Tune tune, List<Note> notes, Version version, Optional<HandLines> lines, Profile profile) {
        Instrument instrument = version.playing().instrument();
        if (!instrument.family().isWind()) {
            return on(version, lines);
        }
        FingeringPath path =
                FingeringPath.of(notes, instrument, fixed(tune, version), Habit.of(profile.otherHand(), tune));
        return new Ways(
                instrument,
                path,
                pins(tune, version),
                Map.of(),
                Map.of(),
                Map.of(),
                Map.of(),
                NO_TABLES,
                Optional.empty());
    }

    /** As lines on strings or buttons have it. */
    static Ways on(Version version, Optional<HandLines> lines) {
        return new Ways(
                version.playing().instrument(),
                FingeringPath.NONE,
                Map.of(),
                lines.map(HandLines::ways).orElse(Map.of()),
                Hands.linePins(version),
                lines.map(HandLines::buttons).orElse(Map.of()),
                lines.map(HandLines::balances).orElse(Map.of()),
                NO_TABLES,
                Optional.empty());
    }

    /** The same with what the tune costs the hand on buttons, and what ornaments of it have been found to ask. */
    Ways with(Lazily<Optional<ButtonTables>> known, Optional<ButtonDemands> found) {
        return new Ways(instrument, path, pins, onStrings, pinsOnStrings, onButtons, balances, known, found);
    }

    /** In which ways something that stands on buttons can be made; empty where nobody has asked yet. */
    Optional<List<ButtonFound.Ready>> known(Occasion occasion, Figure figure) {
        return demands.flatMap(each -> each.known(occasion, figure));
    }

    /** What the tune costs the hand on buttons; empty elsewhere, and where nothing of the tune around is known. */
    Optional<ButtonTables> buttonTables() {
        return tables.get();
    }

    /** Where nothing is known of the tune around: usual fingerings. */
    static Ways usual(Instrument instrument) {
        return new Ways(
                instrument,
                FingeringPath.NONE,
                Map.of(),
                Map.of(),
                Map.of(),
                Map.of(),
                Map.of(),
                NO_TABLES,
                Optional.empty());
    }

    /** How a note is held and struck on strings; empty elsewhere, and where it cannot be played. */
    public Optional<StringWay> onStrings(NoteId note) {
        return Optional.ofNullable(onStrings.get(note));
    }

    /** Which button a note is played by, and how; empty elsewhere, and where it cannot be played. */
    public Optional<ButtonWay> onButtons(NoteId note) {
        return optionOnButtons(note).map(ButtonOption::way);
    }

    /** How the bellows stand before a note; empty where they sound the same both ways, and elsewhere. */
    public Optional<Balance> balance(NoteId note) {
        return Optional.ofNullable(balances.get(note));
    }

    /** The same with what stands on the note. */
    Optional<ButtonOption> optionOnButtons(NoteId note) {
        return Optional.ofNullable(onButtons.get(note));
    }

    /** What the teacher has pinned it to on strings or buttons, {@code D3}; empty where nothing. */
    public String pinOnStrings(NoteId note) {
        return pinsOnStrings.getOrDefault(note, "");
    }

    public FingeringPath path() {
        return path;
    }

    /** The fingerings that the teacher has chosen, by note. */
    public static Map<NoteId, Fingering> pins(Tune tune, Version version) {
        Map<NoteId, Fingering> pins = new HashMap<>();
        for (Spot spot : version.spots().values()) {
            if (!spot.pin().isEmpty()) {
                pinned(tune, version, spot).ifPresent(fingering -> pins.put(spot.at(), fingering));
            }
        }
        return pins;
    }

    private static Optional<Fingering> pinned(Tune tune, Version version, Spot spot) {
        Note note = tune.note(spot.at());
        return note.isRest()
                ? Optional.empty()
                : version.playing()
                        .instrument()
                        .rowOf(note.melody())
                        .flatMap(row -> row.fingerings().stream()
                                .filter(each -> each.toString().equals(spot.pin()))
                                .findFirst());
    }

    /** Fingerings that may not be chosen otherwise: usual ones under what is placed; the teacher's own outrank them. */
    private static Map<NoteId, Fingering> fixed(Tune tune, Version version) {
        Map<NoteId, Fingering> fixed = new HashMap<>();
        for (Spot spot : version.spots().values()) {
            for (Placement option : spot.options()) {
                for (Note note : option.span().notes(tune)) {
                    if (!note.isRest()) {
                        version.playing()
                                .instrument()
                                .rowOf(note.melody())
                                .map(ChartRow::usual)
                                .ifPresent(usual -> fixed.put(note.id(), usual));
                    }
                }
            }
        }
        fixed.putAll(pins(tune, version));
        return fixed;
    }

    /** Whether the teacher has chosen how a note is held. */
    public boolean isPinned(NoteId note) {
        return pins.containsKey(note);
    }

    /** How a plain note is held; empty for one that the instrument lacks, and on strings and buttons. */
    public Optional<Held> of(Note note) {
        return row(note).map(row -> new Held(path.at(note.id()).orElse(row.usual()), row.breath()));
    }

    /** How a note under an ornament is held: as the teacher has pinned it, or as usual. */
    public Optional<Held> under(Note note) {
        return row(note)
                .map(row -> new Held(Optional.ofNullable(pins.get(note.id())).orElse(row.usual()), row.breath()));
    }

    private Optional<ChartRow> row(Note note) {
        return note.isRest() ? Optional.empty() : instrument.rowOf(note.melody());
    }

    /** The usual fingering of a pitch. */
    public Optional<Held> usual(WrittenPitch written) {
        return instrument.rowOf(written).map(row -> new Held(row.usual(), row.breath()));
    }
}
