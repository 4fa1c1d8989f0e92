package wildflourish.desktop.desk;

import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import wildflourish.core.engraving.GesturePicture;
import wildflourish.core.engraving.Sign;
import wildflourish.core.hand.Attempt;
import wildflourish.core.hand.Scene;
import wildflourish.core.ornament.Choice;
import wildflourish.core.ornament.Profile;
import wildflourish.core.performance.Realiser;
import wildflourish.core.placing.Breaths;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/** A sight with what follows from it, worked out when it is first asked for: the hand that plays, what fits at the chosen note. */
public final class Here {
    private final Sight sight;
    private final Optional<Setting> setting;
    private final Once<Optional<Scene>> scene;
    private final Optional<Asked> asked;
    private final Once<Optional<WhatFits>> fits;

    /** All that decides a scene. */
    private record Setting(Tune tune, Version version, Profile profile) {}

    /** All that decides what fits. */
    private record Asked(Setting setting, NoteId note) {}

    private static final class Once<T> {
        private final Supplier<T> work;
        private Optional<T> known = Optional.empty();

        Once(Supplier<T> work) {
            this.work = work;
        }

        synchronized T get() {
            if (known.isEmpty()) {
                known = Optional.of(work.get());
            }
            return known.get();
        }
    }

    private Here(Sight sight, Optional<Here> before) {
        this.sight = sight;
        this.setting = sight.tune()
                .flatMap(tune -> sight.version()
                        .map(version ->
                                new Setting(tune, version, sight.chosen().profile())));
        this.scene = before.filter(each -> each.setting.equals(setting))
                .map(each -> each.scene)
                .orElseGet(() ->
                        new Once<>(() -> setting.map(each -> Scene.of(each.tune(), each.version(), each.profile()))));
        this.asked = setting.flatMap(each -> sight.note().map(note -> new Asked(each, note)));
        this.fits = before.filter(each -> each.asked.equals(asked))
                .map(each -> each.fits)
                .orElseGet(() ->
                        new Once<>(() -> asked.flatMap(each -> scene().map(line -> WhatFits.at(line, each.note())))));
    }

    static Here of(Sight sight) {
        return new Here(sight, Optional.empty());
    }

    /** The next sight; what is the same in it is not worked out again. */
    Here next(Sight other) {
        return new Here(other, Optional.of(this));
    }

    public Sight sight() {
        return sight;
    }

    /** The stage worked on as a line, with the hand that plays it. */
    public Optional<Scene> scene() {
        return scene.get();
    }

    /** What fits at the chosen note for the stage worked on. */
    public Optional<WhatFits> whatFits() {
        return fits.get();
    }

    /** What fits, best first; nothing where no note is chosen. */
    public List<Fit> fitting() {
        return whatFits().map(WhatFits::fitting).orElse(List.of());
    }

    /** The spot whose ornament covers the chosen note. */
    public Optional<Spot> spot() {
        return sight.tune()
                .flatMap(tune ->
                        sight.note().flatMap(note -> sight.version().flatMap(version -> version.covering(tune, note))));
    }

    /** The spot that begins with the chosen note. */
    public Optional<Spot> spotAtNote() {
        return sight.note().flatMap(note -> sight.version().flatMap(version -> version.at(note)));
    }

    /** Whether the version worked on stands beside the stair. */
    boolean isBeside() {
        return sight.stair()
                .filter(stair -> !stair.isStage(sight.chosen().stage()))
                .isPresent();
    }

    String stageName() {
        return sight.version().map(Version::name).orElse("");
    }

    /** What the fingers do, part by part, if a placement is played by the stage worked on; empty where they cannot. */
    public List<GesturePicture.Step> fingersOf(Placement placement) {
        return scene().map(each -> GesturePicture.stepsOf(Realiser.alone(each, placement)))
                .orElse(List.of());
    }

    /** The signs of what fits. */
    public List<Sign> signsOf(Fit fit) {
        Optional<Attempt> attempt = fit.facts().attempt();
        return Sign.of(fit.facts().stack(), attempt.flatMap(Attempt::figure), attempt.flatMap(Attempt::made));
    }

    /** The signs of a placement in the stage worked on. */
    public List<Sign> signsOf(Placement placement) {
        Optional<Attempt> attempt = scene().flatMap(each -> each.attempt(placement));
        return Sign.of(placement.stack(), attempt.flatMap(Attempt::figure), attempt.flatMap(Attempt::made));
    }

    /** What stands at the chosen note with something that fits on top of it; empty where both do not go together. */
    public Optional<Placement> onTop(Fit fit) {
        Optional<Placement> here = spotAtNote().flatMap(Spot::first);
        if (here.isEmpty()
                || scene().isEmpty()
                || here.get().stack().has(fit.facts().ornament())) {
            return Optional.empty();
        }
        boolean isTouch = fit.facts().ornament().isTouch();
        Choice choice = fit.facts().stack().choices().get(0);
        Placement both = isTouch
                ? here.get().with(choice)
                : new Placement(
                        here.get().stack().with(choice),
                        fit.placement().span(),
                        here.get().passes());
        return WhatFits.verdict(scene().get(), both).filter(Fit::fits).map(verdict -> both);
    }

    /** The own schools of the ornament that gives a placement its name. */
    public List<String> ownSchools(Placement placement) {
        return placement.ornament().schools(sight.instrument().family());
    }

    /** The own school in which it is played. */
    public String ownSchool(Placement placement) {
        return sight.version()
                .map(version -> version.playing().schoolOf(placement.stack().main()))
                .orElse("");
    }

    /** The longest stretch without a breath in the stage worked on; empty where the player need not breathe for it. */
    public Optional<Breaths.Stretch> longestBreath() {
        return scene().flatMap(
                        each -> Breaths.longest(each.line(), sight.version().orElseThrow()));
    }

    /** What the teacher has written at the chosen note's spot. */
    public String sentence() {
        NoteId at = spot().map(Spot::at).or(sight::note).orElse(new NoteId(-1));
        return sight.version()
                .flatMap(version -> version.at(at))
                .map(Spot::sentence)
                .orElse("");
    }

    /** The first written-out stage of the chosen lesson that another program has changed and nobody has decided on. */
    public Optional<Lesson.Altered> undecided() {
        return sight.lesson().flatMap(lesson -> lesson.altered().stream().findFirst());
    }
}
