package wildflourish.core.placing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import wildflourish.core.hand.Attempt;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.Family;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.ornament.Stack;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Version;

/** Every ornament of the instrument held against a note: what fits, best first, then what does not, each with why. */
public record WhatFits(List<Fit> fitting, List<Fit> refused) {
    /** No ornament stands for more notes than this. */
    private static final int MOST_NOTES = 4;

    public WhatFits {
        fitting = List.copyOf(fitting);
        refused = List.copyOf(refused);
    }

    /** For a tune in which nothing is placed yet. */
    public static WhatFits at(Tune tune, NoteId note, Playing playing, Profile profile) {
        return at(tune, Version.plain("plain", playing), note, profile);
    }

    public static WhatFits at(Tune tune, Version version, NoteId note, Profile profile) {
        return at(Scene.of(tune, version, profile), note);
    }

    public static WhatFits at(Scene scene, NoteId note) {
        List<Fit> fitting = new ArrayList<>();
        List<Fit> refused = new ArrayList<>();
        List<Situation> situations = situations(scene, note);
        if (situations.isEmpty()) {
            return new WhatFits(fitting, refused);
        }
        for (Ornament ornament : Ornament.of(scene.playing().instrument().family())) {
            List<Fit> fits = over(situations, Stack.of(ornament));
            List<Fit> good = fits.stream().filter(Fit::fits).toList();
            fitting.addAll(good);
            if (good.isEmpty()) {
                refused.add(fits.get(0));
            }
        }
        fitting.sort(Comparator.comparingInt((Fit fit) -> -fit.rank()));
        refused.sort(
                Comparator.comparingInt((Fit fit) -> fit.refusals().get(0) == Refusal.NOT_FOR_THIS_INSTRUMENT ? 1 : 0));
        return new WhatFits(fitting, refused);
    }

    /** The verdicts on one ornament over every span that it may have from a note on, the longest first. */
    public static List<Fit> at(Scene scene, NoteId note, Ornament ornament) {
        return over(scene, note, Stack.of(ornament));
    }

    /** A note in every surrounding in which it is played; none for one that repeats never reach. */
    private static List<Situation> situations(Scene scene, NoteId id) {
        Note note = scene.tune().note(id);
        return scene.line().playings(id).stream()
                .map(tone -> new Situation(scene, note, tone))
                .toList();
    }

    /** The verdicts over every span that an ornament may have here, the longest first; where there is none, on the bare note. */
    private static List<Fit> over(List<Situation> situations, Stack stack) {
        List<Fit> fits = new ArrayList<>();
        for (int count = MOST_NOTES; count >= 1; count--) {
            if (mayTake(situations.get(0), stack, count)) {
                fits.add(verdict(situations, stack, count));
            }
        }
        return fits.isEmpty() ? List.of(verdict(situations, stack, 1)) : fits;
    }

    /** The verdicts on a stack over every span that it may have from a note on. */
    public static List<Fit> over(Scene scene, NoteId note, Stack stack) {
        List<Situation> situations = situations(scene, note);
        return situations.isEmpty() ? List.of() : over(situations, stack);
    }

    /** Whether so many notes are such as it stands for, and of a length it has a figure for. */
    private static boolean mayTake(Situation situation, Stack stack, int count) {
        Facts facts = new Facts(situation, stack, count, Optional.empty());
        List<Tone> tones = facts.tones();
        if (tones.size() < count || tones.stream().anyMatch(Tone::isRest)) {
            return false;
        }
        return Attempt.suits(situation.scene(), situation.tone(), count, stack);
    }

    /** In every surrounding in which it is played: the first that refuses it, or else the tightest. */
    private static Fit verdict(List<Situation> situations, Stack stack, int count) {
        Optional<Fit> tightest = Optional.empty();
        for (Situation situation : situations) {
            Fit fit = Fit.of(Facts.of(situation, stack, count));
            if (!fit.fits()) {
                return fit;
            }
            tightest = tightest.filter(other -> isTighter(other, fit)).or(() -> Optional.of(fit));
        }
        return tightest.orElseThrow();
    }

    private static boolean isTighter(Fit one, Fit other) {
        Fraction none = Fraction.of(1_000_000);
        Fraction first =
                one.facts().cleanUpTo().map(tempo -> tempo.beatsPerMinute()).orElse(none);
        Fraction second =
                other.facts().cleanUpTo().map(tempo -> tempo.beatsPerMinute()).orElse(none);
        return !second.isLessThan(first);
    }

    /** The verdict on a stack over so many notes from one on; empty for a note that is never played. */
    public static Optional<Fit> verdict(Scene scene, NoteId note, int count, Stack stack) {
        List<Situation> situations = situations(scene, note);
        return situations.isEmpty() ? Optional.empty() : Optional.of(verdict(situations, stack, count));
    }

    /** The verdict on a placement, whether it fits or not; empty where it is never played. */
    public static Optional<Fit> verdict(Scene scene, Placement placement) {
        int count = placement.span().notes(scene.tune()).size();
        List<Situation> situations = situations(scene, placement);
        return situations.isEmpty() ? Optional.empty() : Optional.of(verdict(situations, placement.stack(), count));
    }

    /** The same where something refuses it, without asking what would speak for it; empty where it fits. */
    static Optional<Fit> refusal(Scene scene, Placement placement) {
        int count = placement.span().notes(scene.tune()).size();
        return situations(scene, placement).stream()
                .map(situation -> Facts.of(situation, placement.stack(), count))
                .map(facts -> new Fit(facts, Refusals.of(facts), List.of()))
                .filter(fit -> !fit.fits())
                .findFirst();
    }

    /** The surroundings in which a placement is played. */
    private static List<Situation> situations(Scene scene, Placement placement) {
        return situations(scene, placement.span().first()).stream()
                .filter(each -> placement
                        .passes()
                        .has(scene.line().tones().get(each.tone()).pass()))
                .toList();
    }

    /** Whether a plain note must not stand as it is. */
    public static boolean isUnparted(Scene scene, NoteId note) {
        return wantsNotesParted(scene.playing().instrument().family())
                && situations(scene, note).stream().anyMatch(Refusals::isUnparted);
    }

    /** Whether equal notes have to be parted by something: on pipes that never stop. */
    static boolean wantsNotesParted(Family family) {
        return family == Family.NINE_NOTE_PIPES;
    }

    public Optional<Fit> best() {
        return fitting.stream().findFirst();
    }
}
