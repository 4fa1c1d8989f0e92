package wildflourish.core.growing;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.DoubleConsumer;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import wildflourish.core.hand.Attempt;
import wildflourish.core.hand.HandBeside;
import wildflourish.core.hand.HandCost;
import wildflourish.core.hand.Price;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.Family;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Choice;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Stack;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.NotePlace;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Version;
import wildflourish.core.version.Wish;

/** What fits every note of a tune on an instrument, found once for all stages, and the tune as a row of notes. */
public final class Choices {
    private final Tune tune;
    private final NoteRow row;
    /** Whether the instrument sounds on between equal notes. */
    private final boolean soundsOn;
    /** A taste that is somebody's own. */
    private final Optional<Liking> own;
    /** On strings and buttons what ornaments cost the hand one beside the other. */
    private final Optional<HandBeside> hand;
    /** Whether the rank of what fits has what it asks of the hand beyond what lies easily, as on buttons. */
    private final boolean isHandInRank;
    /** For each note what fits on it, the lightest first. */
    private final List<List<Found>> found = new ArrayList<>();

    /** What stands already and would not be planned; one thread may plan while another reads. */
    private final Map<Option, Placement> standing = new ConcurrentHashMap<>();

    private Choices(Tune tune, Scene scene, DoubleConsumer reached) {
        this.tune = tune;
        this.own = Optional.empty();
        this.soundsOn = scene.playing().instrument().family().soundsOn();
        this.row = TuneRow.of(tune, scene.playing().instrument().family().isBlownByMouth());
        this.hand = HandCost.of(scene).beside();
        this.isHandInRank = scene.playing().instrument().buttons().isPresent();
        List<Stack> usual = UsualStacks.of(scene.playing().instrument().family());
        for (Note note : tune.notes()) {
            found.add(
                    note.isRest()
                            ? List.of()
                            : fitting(scene, note.id(), usual).stream()
                                    .filter(fit -> fit.placement().span().isInOneBar(tune) && isOrnament(fit))
                                    .flatMap(fit -> found(fit).stream())
                                    .sorted(Comparator.comparingInt(
                                            each -> each.traits().weight()))
                                    .toList());
            reached.accept(found.size() / (double) tune.notes().size());
        }
    }

    /** All that fits a note by itself, and of what is usual at once and in another way that of which each part does. */
    private static List<Fit> fitting(Scene scene, NoteId note, List<Stack> usual) {
        List<Fit> fitting = new ArrayList<>(WhatFits.at(scene, note).fitting());
        Set<Ornament> alone = new HashSet<>();
        fitting.forEach(fit -> alone.add(fit.facts().ornament()));
        usual.stream()
                .filter(stack -> stack.choices().size() == 1
                        || stack.choices().stream().map(Choice::ornament).allMatch(alone::contains))
                .flatMap(stack -> WhatFits.over(scene, note, stack).stream())
                .filter(Fit::fits)
                .forEach(fitting::add);
        return fitting;
    }

    private Choices(Choices same, Optional<Liking> own) {
        this.tune = same.tune;
        this.row = same.row;
        this.own = own;
        this.soundsOn = same.soundsOn;
        this.hand = same.hand;
        this.isHandInRank = same.isHandInRank;
        this.found.addAll(same.found);
    }

    /** How a note is tongued and where one breathes is not planned: the player settles that. On strings slurs and strokes are part of the ornament. */
    private static boolean isOrnament(Fit fit) {
        Ornament ornament = fit.facts().ornament();
        boolean isOfWinds =
                fit.facts().situation().playing().instrument().family().isWind();
        return ornament.kind() != Ornament.Kind.REST && !(isOfWinds && ornament.kind() == Ornament.Kind.ARTICULATION);
    }

    /** Empty where the hand cannot go on from it. */
    private Optional<Found> found(Fit fit) {
        Placement placement = fit.placement();
        double more = fit.facts()
                .attempt()
                .flatMap(Attempt::price)
                .map(Price::more)
                .or(() -> hand.map(beside -> beside.of(placement)))
                .orElse(0.0);
        if (more == Double.POSITIVE_INFINITY) {
            return Optional.empty();
        }
        return Optional.of(Found.of(fit, tune, HandSum.points(more)));
    }

    /** In the scene of a version without ornaments, at the slowest tempo that is planned for; {@code reached} is told the share of the notes that is done, from 0 to 1. */
    public static Choices of(Scene plain, DoubleConsumer reached) {
        return new Choices(plain.tune(), plain, reached);
    }

    /** The same where a taste is known that is somebody's own. */
    public Choices knowing(Optional<Liking> taste) {
        return new Choices(this, taste);
    }

    /** The taste that a version is planned by: the one wished for, the family's usual one where that is not known here. */
    public Liking liking(Version version) {
        List<Liking> all = tastes(version.playing().instrument().family(), own);
        String wished = version.label().wish().taste();
        return all.stream().filter(each -> each.id().equals(wished)).findFirst().orElse(all.get(0));
    }

    /** The tastes of a family, the usual one first, somebody's own last. */
    public static List<Liking> tastes(Family family, Optional<Liking> own) {
        return Stream.concat(
                        Liking.of(family).stream(),
                        own.filter(each -> each.families().contains(family)).stream())
                .toList();
    }

    public NoteRow row() {
        return row;
    }

    /** What the hand has to do for all that is planned together; empty where what it does for each by itself is all that counts. */
    Optional<HandSum> hand() {
        return hand.map(beside -> new HandSum(this, beside));
    }

    /** Points for what the hand has to do on strings and buttons for an option alone. */
    int hand(Option option) {
        return found(option).map(Found::hand).orElse(0);
    }

    /** The row as it is planned for a wish: what is asked for in its bars, and phrases that return tied, where they are to be alike, as far as all can be. */
    NoteRow asked(Wish wish, boolean isTied) {
        Set<Integer> pinned = new HashSet<>();
        List<Request> requests = new ArrayList<>();
        List<Integer> least =
                new ArrayList<>(Collections.nCopies(row.barLengths().size(), 0));
        for (Wish.Pin pin : wish.within(tune).pins()) {
            NotePlace place = tune.placeOf(pin.note());
            switch (pin.kind()) {
                case LEAST -> least.set(place.bar(), pin.count());
                case PHRASE, PART -> requests.add(Asking.of(tune, pin).request(row.bars(), pin));
                case NEVER, SOMETHING -> pinned.add(place.order());
            }
        }
        NoteRow asked = row.asking(least).requesting(requests);
        return isTied ? asked.untiedAt(pinned) : asked.untied();
    }

    /** The placement that an option stands for. */
    public Placement placement(Option option) {
        Placement known = standing.get(option.worth(0));
        return known != null ? known : planned(option);
    }

    /** Something that was found to fit, as an option without points. */
    Option bare(Placement placement) {
        int from = tune.placeOf(placement.span().first()).order();
        return found.get(from).stream()
                .filter(each -> each.placement().equals(placement))
                .findFirst()
                .map(each -> each.option(0))
                .orElseThrow();
    }

    /** All that was found to fit from a note on. */
    List<Fit> found(NoteId note) {
        return found.get(tune.placeOf(note).order()).stream().map(Found::fit).toList();
    }

    /** What was found of something that fits; empty for what stands there and would not be planned. */
    public Optional<Fit> fit(Placement placement) {
        int from = tune.placeOf(placement.span().first()).order();
        return found.get(from).stream()
                .filter(each -> each.placement().stack().equals(placement.stack())
                        && each.placement().span().equals(placement.span()))
                .map(Found::fit)
                .findFirst();
    }

    private Placement planned(Option option) {
        return found(option).orElseThrow().placement();
    }

    private Optional<Found> found(Option option) {
        return found.get(option.from()).stream()
                .filter(each -> each.to() == option.to() && each.name().equals(option.name()))
                .findFirst();
    }

    /**
     * What may be chosen at a stage, with the points it has there by itself.
     *
     * @param clean tempos at each of which everything must be clean
     * @param wish its taste is left to the liking, its degrees to the taste
     */
    public List<List<Option>> options(Taste taste, List<Tempo> clean, Liking liking, Wish wish) {
        List<List<Option>> options = new ArrayList<>();
        for (int note = 0; note < found.size(); note++) {
            List<Option> here = new ArrayList<>();
            for (Found each : found.get(note)) {
                if (each.isAllowed(taste, clean) && !each.isRefused(wish)) {
                    here.add(each.option(taste, liking, isHandInRank));
                }
            }
            if (here.isEmpty()
                    || !(mustBeParted(note)
                            || wish.asksFor(tune.notes().get(note).id()))) {
                here.add(Option.plain(note));
            }
            options.add(here);
        }
        return options;
    }

    /** Whether a note would not be heard by itself without something on it. */
    boolean mustBeParted(int number) {
        if (!soundsOn || number == 0) {
            return false;
        }
        Note note = tune.notes().get(number);
        Note before = tune.notes().get(number - 1);
        return !note.isRest()
                && !before.isRest()
                && !before.marks().joins().tied()
                && note.pitches().equals(before.pitches());
    }

    /** Whether there are such notes. */
    boolean hasPartings() {
        return IntStream.range(0, tune.notes().size()).anyMatch(this::mustBeParted);
    }

    /** Of options only the lightest on notes that have to be parted from those before them; all other notes plain. */
    List<List<Option>> partings(List<List<Option>> options) {
        List<List<Option>> partings = new ArrayList<>();
        for (int note = 0; note < options.size(); note++) {
            List<Option> here = options.get(note).stream()
                    .filter(option -> !option.isPlain() && option.to() == option.from() + 1)
                    .toList();
            int lightest = here.stream().mapToInt(Option::weight).min().orElse(0);
            partings.add(
                    here.isEmpty() || !mustBeParted(note)
                            ? List.of(Option.plain(note))
                            : here.stream()
                                    .filter(option -> option.weight() == lightest)
                                    .toList());
        }
        return partings;
    }

    /** What stands there already as an option, whether it would be planned or not; one that does not fit brings nothing. */
    Option standing(Placement placement, Taste taste, Liking liking) {
        int from = tune.placeOf(placement.span().first()).order();
        int to = tune.placeOf(placement.span().last()).order() + 1;
        return found.get(from).stream()
                .filter(each -> each.to() == to && each.placement().stack().equals(placement.stack()))
                .findFirst()
                .map(each -> each.option(taste, liking, isHandInRank))
                .orElseGet(() -> bare(placement, from, to));
    }

    private Option bare(Placement placement, int from, int to) {
        Option option = new Option(
                from,
                to,
                placement.stack().toString(),
                placement.ornament().kind().ordinal(),
                Option.NONE,
                Option.NONE,
                placement.stack().weight(),
                0);
        standing.put(option.worth(0), placement);
        return option;
    }
}
