package wildflourish.core.placing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.hand.Attempt;
import wildflourish.core.hand.Trait;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.ornament.Usage;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Part;
import wildflourish.core.tune.Tune;

/** Why a stack does not fit: first what holds for any ornament there, then its own form, then the hand, and only where all is well the time. */
final class Refusals {
    private Refusals() {}

    static List<Refusal> of(Facts facts) {
        Optional<Refusal> ofPlace = ofPlace(facts);
        if (ofPlace.isPresent()) {
            return List.of(ofPlace.get());
        }
        Attempt attempt = facts.attempt().orElseThrow();
        List<Refusal> hitches = attempt.hitches();
        boolean isUnmade = hitches.stream().anyMatch(Refusals::isBeforeForm);
        if (isUnmade) {
            return hitches;
        }
        List<Refusal> all = new ArrayList<>(hitches);
        facts.stack().choices().stream()
                .flatMap(choice -> choice.ornament().speech().refusals().stream())
                .filter(refusal -> isOfSpot(refusal, facts))
                .forEach(all::add);
        if (all.isEmpty() && attempt.made().isEmpty()) {
            all.add(Refusal.NO_USAGE_KNOWN);
        }
        if (all.isEmpty()) {
            attempt.tooFast().or(() -> ofPrice(facts)).ifPresent(all::add);
        }
        return all.stream().distinct().sorted().toList();
    }

    /** On buttons: no way to it and on, too far out of the way, or longer than the air lasts. */
    private static Optional<Refusal> ofPrice(Facts facts) {
        Attempt attempt = facts.attempt().orElseThrow();
        if (attempt.price().filter(price -> !price.isPlayable()).isPresent()) {
            return attempt.price().map(price -> price.isReachable() ? Refusal.TOO_FAST : Refusal.NO_WAY_IN_OR_OUT);
        }
        boolean isTooFar = attempt.price()
                .filter(price -> Detour.of(facts.situation().playing().school())
                        .filter(detour -> detour.isTooFar(price))
                        .isPresent())
                .isPresent();
        if (isTooFar) {
            return Optional.of(Refusal.TOO_FAR_ROUND);
        }
        return attempt.traits().contains(Trait.OUT_OF_AIR) ? Optional.of(Refusal.NO_AIR) : Optional.empty();
    }

    private static boolean isBeforeForm(Refusal refusal) {
        return refusal.compareTo(Refusal.NO_OTHER_NOTE) <= 0;
    }

    /** What holds against anything there. */
    private static Optional<Refusal> ofPlace(Facts facts) {
        Situation situation = facts.situation();
        Note note = situation.note();
        if (note.isRest()) {
            return Optional.of(Refusal.REST);
        }
        if (!situation.isOnInstrument()) {
            return Optional.of(Refusal.NOT_ON_INSTRUMENT);
        }
        if (situation.isHeldFromBefore()) {
            return Optional.of(
                    situation.instrument().family().isPlucked() ? Refusal.TIED_OVER : Refusal.HELD_FROM_BEFORE);
        }
        if (!note.marks().graces().isEmpty()) {
            return Optional.of(Refusal.HAS_SMALL_NOTES);
        }
        boolean isWhole = facts.tones().size() == facts.count();
        return isWhole && facts.attempt().isPresent()
                ? Optional.empty()
                : Optional.of(isWhole ? Refusal.WRONG_NOTES : Refusal.CROSSES_BAR_LINE);
    }

    /** What only the place of the note in its tune can tell. */
    private static boolean isOfSpot(Refusal refusal, Facts facts) {
        return switch (refusal) {
            case NOT_FROM_A_BEAT -> !facts.situation().isOnBeat();
            case STRUCTURAL_NOTE -> isLeftOut(facts) && isStructural(facts.situation());
            case REST_MUST_FOLLOW -> facts.after().isPresent();
            case OTHER_KIND_OF_TUNE, WRONG_KIND_OF_TUNE, NOT_THIS_TUNE -> isOfOtherTunes(facts);
            case BEAT_WOULD_BE_LOST -> losesBeat(facts);
            case NOT_AT_THE_END -> !facts.situation().endsPart();
            default -> false;
        };
    }

    private static boolean isOfOtherTunes(Facts facts) {
        Situation situation = facts.situation();
        return facts.stack().choices().stream()
                .map(choice -> Usage.of(
                        situation.instrument().family(),
                        choice.ornament().id(),
                        situation.playing().schoolOf(choice)))
                .flatMap(Optional::stream)
                .anyMatch(usage -> !usage.isAllowedIn(situation.kindOfTune(), situation.isSixEight()));
    }

    /** Whether the note that is dropped or hidden, the last of its span, is on a beat of the tune or ends a phrase. */
    private static boolean losesBeat(Facts facts) {
        List<Note> notes = facts.notes();
        Note last = notes.get(notes.size() - 1);
        return facts.situation().isOnTuneBeat(last) || facts.situation().endsPhrase(last);
    }

    private static boolean isLeftOut(Facts facts) {
        return facts.attempt()
                .flatMap(Attempt::figure)
                .map(figure -> figure.isSilentFirst())
                .orElse(false);
    }

    /** The first or the last note of a part, or one on beat one. */
    private static boolean isStructural(Situation situation) {
        Tune tune = situation.tune();
        Part part = tune.form().partAt(situation.place().bar());
        List<Note> notes = tune.notes().stream()
                .filter(note ->
                        !note.isRest() && part.has(tune.placeOf(note.id()).bar()))
                .toList();
        boolean isAnEnd = notes.get(0).equals(situation.note())
                || notes.get(notes.size() - 1).equals(situation.note());
        return isAnEnd || situation.place().offset().isZero();
    }

    /** Whether a plain note must not stand as it is: on a pipe that never stops, two equal notes with nothing between. */
    static boolean isUnparted(Situation situation) {
        return situation.instrument().family() == wildflourish.core.instrument.Family.NINE_NOTE_PIPES
                && !situation.note().isRest()
                && situation.note().marks().graces().isEmpty()
                && !situation.isHeldFromBefore()
                && situation.equalBefore() > 0;
    }

    /** Whether an ornament dresses a note that would otherwise stand bare. */
    static boolean parts(Ornament ornament) {
        return ornament.kind() == Ornament.Kind.GRACE || ornament.kind() == Ornament.Kind.MOVEMENT;
    }
}
