package wildflourish.core.placing;

import java.util.Optional;
import wildflourish.core.hand.Held;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.ChartRow;
import wildflourish.core.instrument.Gracing;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Metre;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NotePlace;
import wildflourish.core.tune.Part;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Version;

/**
 * A note of a tune in its surroundings, for an instrument, its schools, a student and a tempo.
 *
 * @param scene the line it stands in and the hand that plays it
 * @param tone where it stands in the line; one of its playings
 */
public record Situation(Scene scene, Note note, int tone) {
    public Tune tune() {
        return scene.tune();
    }

    /** What is placed, here and elsewhere. */
    public Version version() {
        return scene.version();
    }

    public Playing playing() {
        return scene.playing();
    }

    public Instrument instrument() {
        return playing().instrument();
    }

    public NotePlace place() {
        return tune().placeOf(note.id());
    }

    /** The tone sounding right before, if any. */
    public Optional<Tone> before() {
        return scene.line().before(tone);
    }

    /** How many notes of this pitch stand right before it, one after the other. */
    public int equalBefore() {
        int count = 0;
        int at = tone - 1;
        while (at >= 0 && isSamePitch(scene.line().tones().get(at))) {
            count++;
            at--;
        }
        return count;
    }

    private boolean isSamePitch(Tone other) {
        return !note.isRest()
                && !other.isRest()
                && other.melody().midi() == note.melody().midi();
    }

    /** Semitones from the note before up to this one; 0 when there is none. */
    public int rise() {
        return note.isRest()
                ? 0
                : before().map(other -> note.melody().midi() - other.melody().midi())
                        .orElse(0);
    }

    /** The last note goes on into this one without a new beginning. */
    public boolean isHeldFromBefore() {
        return scene.line().tones().get(tone).touch() == Tone.Touch.TIED;
    }

    /** On a counted beat of the bar: crotchets, or dotted crotchets in compound time. */
    public boolean isOnBeat() {
        Metre metre = tune().metreAt(place().bar());
        Fraction count = metre.isCompound() ? metre.countLength() : Fraction.of(1, 4);
        return place().offset().modulo(count).isZero();
    }

    /** On a beat as this kind of tune is counted: in a reel the minims. */
    public boolean isOnTuneBeat(Note asked) {
        NotePlace there = tune().placeOf(asked.id());
        return there.offset().modulo(tune().header().type().beatLength()).isZero();
    }

    /** Whether a note is the last that sounds of its phrase. */
    public boolean endsPhrase(Note asked) {
        int bar = tune().placeOf(asked.id()).bar();
        return scene.phrasing().phrases().stream()
                .filter(phrase -> phrase.has(bar))
                .flatMap(phrase -> tune().bars().subList(phrase.firstBar(), phrase.lastBar() + 1).stream())
                .flatMap(each -> each.notes().stream())
                .filter(each -> !each.isRest())
                .reduce((one, other) -> other)
                .filter(asked::equals)
                .isPresent();
    }

    /** Whether the note is the last that sounds of its part. */
    public boolean endsPart() {
        Part part = tune().form().partAt(place().bar());
        return tune().bars().subList(part.firstBar(), part.lastBar() + 1).stream()
                .flatMap(bar -> bar.notes().stream())
                .filter(each -> !each.isRest())
                .reduce((one, other) -> other)
                .filter(note::equals)
                .isPresent();
    }

    public String kindOfTune() {
        return tune().header().type().manner();
    }

    public boolean isSixEight() {
        Metre metre = tune().metreAt(place().bar());
        return metre.isCompound() && metre.barLength().equals(Fraction.of(3, 4));
    }

    /** The chart's row for the note; empty for a rest and for a note the instrument lacks. */
    public Optional<ChartRow> row() {
        return note.isRest() ? Optional.empty() : instrument().rowOf(note.melody());
    }

    /** Whether the instrument has the note, on holes, strings or buttons; a rest it always has. */
    public boolean isOnInstrument() {
        return note.isRest() || instrument().has(note.melody());
    }

    public Optional<Gracing> gracing() {
        return row().flatMap(row -> instrument().gracingOf(row.pitch()));
    }

    /** How the tone before is held. */
    public Optional<Held> heldBefore() {
        return before().flatMap(other -> scene.ways().of(other.note()));
    }
}
