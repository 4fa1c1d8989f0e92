package wildflourish.desktop.desk;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import wildflourish.core.engraving.GesturePicture;
import wildflourish.core.engraving.Sign;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.hand.Attempt;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Choice;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.performance.Realiser;
import wildflourish.core.placing.Breaths;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.problem.Parsed;
import wildflourish.core.problem.Problem;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Book;
import wildflourish.core.version.BookItem;
import wildflourish.core.version.Change;
import wildflourish.core.version.Deed;
import wildflourish.core.version.History;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.words.Words;
import wildflourish.files.abc.BookReader;
import wildflourish.files.abc.BookWriter;
import wildflourish.files.store.StoredBook;

/** What is open, chosen and done. Views look at {@link #sight} and call verbs; every verb leaves a new sight and one line of what it did. */
public final class Desk {
    private static final int FIRST_STAGES = 3;

    private final ReadOnlyObjectWrapper<Sight> sight = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyStringWrapper said = new ReadOnlyStringWrapper("");
    private StoredBook stored;
    private List<Problem> problems;
    private History history;
    private int lessonIndex;
    private Optional<Asked> fitsFor = Optional.empty();
    private Optional<WhatFits> fits = Optional.empty();
    private final Writing writing = new Writing(this);
    private final Fingers fingers = new Fingers(this);
    private final Slurs slurs = new Slurs(this);
    private final PhraseLayers layers = new PhraseLayers(this);

    private Optional<Setting> setting = Optional.empty();
    private Optional<Scene> scene = Optional.empty();

    /** All that decides a scene. */
    private record Setting(Tune tune, Version version, Profile profile) {}

    /** All that decides what fits. */
    private record Asked(Scene scene, NoteId note) {}

    /** With a book that was read. */
    public Desk(Parsed<StoredBook> opened) {
        this.stored = opened.value();
        this.problems = opened.problems();
        this.history = new History(stored.book());
        Instrument instrument = Instrument.first();
        show(new Sight.Chosen(instrument, Profile.usual(), 1, Optional.empty()));
    }

    public ReadOnlyObjectProperty<Sight> sight() {
        return sight.getReadOnlyProperty();
    }

    /** What the last verb did, or why it did nothing: one line. */
    public ReadOnlyStringProperty said() {
        return said.getReadOnlyProperty();
    }

    private Sight now() {
        return sight.get();
    }

    /** Puts a line where the user sees it. */
    public void say(String words) {
        said.set(words);
    }

    // The book

    public Path path() {
        return stored.path();
    }

    public List<Problem> problems() {
        return problems;
    }

    public boolean isSaved() {
        return history.isSaved();
    }

    public List<Change> done() {
        return history.done();
    }

    /** Another book that was read comes in place of this one. */
    public void take(Parsed<StoredBook> opened) {
        stored = opened.value();
        problems = opened.problems();
        history = new History(stored.book());
        lessonIndex = 0;
        show(now().chosen().withNote(Optional.empty()));
        int count = stored.book().lessons().size();
        say(path().getFileName() + ": " + count + (count == 1 ? " tune" : " tunes")
                + (problems.isEmpty() ? "" : ", " + problems.size() + " problems to look at"));
    }

    /** The book as it would be saved to its own file, or to another that becomes its own. */
    public StoredBook toSave(Path path) {
        return stored.at(path).with(history.book());
    }

    /** What {@link #toSave} gave has been saved; what was done since is not. */
    public void saved(StoredBook now) {
        stored = now;
        if (history.book().equals(now.book())) {
            history.markSaved();
        }
        say("Saved to " + now.path());
        show(now().chosen());
    }

    /** From now on whatever another program has written at the book's path may be replaced by the next save. */
    public void replaceOnSave() {
        stored = stored.over();
    }

    /** The book becomes another state of itself, kept from before a crash; undo takes it away again. */
    public void recover(Book recovered) {
        Book book = history.book();
        apply(
                new Change(0, book.items(), recovered.items(), new Deed(Deed.Kind.RECOVER, "", stageName())),
                now().chosen());
        say("The changes that were not saved are back");
    }

    // Choosing

    void show(Sight.Chosen chosen) {
        List<Lesson> lessons = history.book().lessons();
        lessonIndex = Math.max(0, Math.min(lessonIndex, lessons.size() - 1));
        Optional<Lesson> lesson = lessons.isEmpty() ? Optional.empty() : Optional.of(lessons.get(lessonIndex));
        Optional<Stair> stair = lesson.map(each -> each.stairFor(chosen.instrument())
                .orElseGet(() -> Stair.starting(each.tune(), chosen.instrument(), FIRST_STAGES)));
        int stages = stair.map(each -> each.stages().size()).orElse(1);
        int stage = Math.max(0, Math.min(chosen.stage(), stages - 1));
        Optional<NoteId> note = chosen.note()
                .filter(id -> lesson.map(each -> each.tune().has(id)).orElse(false))
                .or(() -> lesson.flatMap(each -> each.tune().notes().stream().findFirst())
                        .map(Note::id));
        sight.set(
                new Sight(history.book(), lesson, stair, chosen.withStage(stage).withNote(note)));
    }

    /** The lesson at an index is chosen with the next {@link #apply}. */
    void turnTo(int index) {
        lessonIndex = index;
    }

    public int lessonIndex() {
        return lessonIndex;
    }

    public void chooseLesson(int index) {
        if (index != lessonIndex && index < history.book().lessons().size()) {
            lessonIndex = index;
            show(now().chosen().withNote(Optional.empty()));
        }
    }

    public void chooseStage(int stage) {
        int stages = now().stair().map(each -> each.stages().size()).orElse(1);
        if (stage >= 0 && stage < stages && stage != now().chosen().stage()) {
            show(now().chosen().withStage(stage));
            say("Working on " + now().version().map(Version::name).orElse("the plain tune"));
        }
    }

    public void chooseProfile(Profile profile) {
        show(now().chosen().withProfile(profile));
    }

    /** Works on the tune's stair on another instrument; a tune has one stair for each. */
    public void chooseInstrument(Instrument instrument) {
        if (!instrument.equals(now().chosen().instrument())) {
            show(now().chosen().withInstrument(instrument));
            say("On the " + instrument.name() + " now; what is placed for other instruments stays with them");
        }
    }

    public void choose(NoteId note) {
        if (!now().note().equals(Optional.of(note))) {
            show(now().chosen().withNote(Optional.of(note)));
        }
    }

    /** To the next note, or the one so many places on; stays at either end. */
    public void walk(int distance) {
        now().tune()
                .ifPresent(tune -> now().note().ifPresent(note -> {
                    int last = tune.notes().size() - 1;
                    int order = Math.max(0, Math.min(last, tune.placeOf(note).order() + distance));
                    choose(tune.notes().get(order).id());
                }));
    }

    /** To the same place one bar on or back: the first note of the neighbouring bar. */
    public void walkBar(int direction) {
        now().tune()
                .ifPresent(tune -> now().note().ifPresent(note -> {
                    int bar = tune.placeOf(note).bar() + direction;
                    while (bar >= 0 && bar < tune.bars().size()) {
                        if (!tune.bars().get(bar).notes().isEmpty()) {
                            choose(tune.bars().get(bar).notes().get(0).id());
                            return;
                        }
                        bar += direction;
                    }
                }));
    }

    /** To the first note of the next phrase (1) or of the one before (−1); stays at either end. */
    public void walkPhrase(int direction) {
        now().tune()
                .ifPresent(tune -> now().note().ifPresent(note -> {
                    List<Phrase> phrases = Phrasing.of(tune).phrases();
                    int bar = tune.placeOf(note).bar();
                    int at = 0;
                    while (at + 1 < phrases.size() && !phrases.get(at).has(bar)) {
                        at++;
                    }
                    int next = Math.max(0, Math.min(phrases.size() - 1, at + direction));
                    tune
                            .bars()
                            .subList(
                                    phrases.get(next).firstBar(),
                                    phrases.get(next).lastBar() + 1)
                            .stream()
                            .flatMap(each -> each.notes().stream())
                            .findFirst()
                            .ifPresent(first -> {
                                choose(first.id());
                                say("Phrase " + phrases.get(next).name());
                            });
                }));
    }

    // What fits

    /** What fits at the chosen note for the stage worked on. */
    public Optional<WhatFits> whatFits() {
        Sight current = now();
        Optional<Asked> asked = scene().flatMap(scene -> current.note().map(note -> new Asked(scene, note)));
        if (!asked.equals(fitsFor)) {
            fitsFor = asked;
            fits = asked.map(each -> WhatFits.at(each.scene(), each.note()));
        }
        return fits;
    }

    /** The stage worked on as a line, with the hand that plays it; made anew when something of it changes. */
    public Optional<Scene> scene() {
        Sight current = now();
        Optional<Setting> wanted = current.tune()
                .flatMap(tune -> current.version()
                        .map(version ->
                                new Setting(tune, version, current.chosen().profile())));
        if (!wanted.equals(setting)) {
            setting = wanted;
            scene = wanted.map(each -> Scene.of(each.tune(), each.version(), each.profile()));
        }
        return scene;
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
        Sight current = now();
        Optional<Placement> here = current.note()
                .flatMap(note -> current.version().flatMap(version -> version.at(note)))
                .flatMap(Spot::first);
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

    /** The best of what fits that goes on top of what stands here is played on top of it. */
    public void placeOnTop() {
        Optional<Placement> best = whatFits().stream()
                .flatMap(each -> each.fitting().stream())
                .flatMap(fit -> onTop(fit).stream())
                .findFirst();
        best.ifPresentOrElse(
                this::place, () -> say("Nothing goes on top here: place an ornament first, or take another note."));
    }

    /** The own schools of the ornament that gives a placement its name. */
    public List<String> ownSchools(Placement placement) {
        return placement.ornament().schools(now().chosen().instrument().family());
    }

    /** The own school in which it is played. */
    public String ownSchool(Placement placement) {
        return now().version()
                .map(version -> version.playing().schoolOf(placement.stack().main()))
                .orElse("");
    }

    /** What is played at the spot is played in another of its own schools. */
    public void setOwnSchool(String school) {
        Optional<Placement> here = spotHere().flatMap(Spot::first);
        if (here.isPresent()) {
            Ornament ornament = here.get().ornament();
            place(here.get().with(new Choice(ornament, school)));
        }
    }

    /** The longest stretch without a breath in the stage worked on; empty where the player need not breathe for it. */
    public Optional<Breaths.Stretch> longestBreath() {
        return scene().flatMap(
                        each -> Breaths.longest(each.line(), now().version().orElseThrow()));
    }

    /** Strokes for every stage of the stair. */
    public void setStrokes(School strokes) {
        Sight current = now();
        if (current.stair().isEmpty()
                || current.version().map(version -> version.playing().strokes()).equals(Optional.of(strokes))) {
            return;
        }
        Stair after = current.stair()
                .get()
                .withEach(version -> version.withPlaying(version.playing().withStrokes(strokes)));
        change(after, new Deed(Deed.Kind.SCHOOL, strokes.name(), stageName()));
        say(strokes.name() + ": " + strokes.about());
    }

    /** The spot whose ornament covers the chosen note. */
    public Optional<Spot> spotHere() {
        Sight current = now();
        return current.tune()
                .flatMap(tune -> current.note()
                        .flatMap(note -> current.version().flatMap(version -> version.covering(tune, note))));
    }

    // Placing

    void change(Stair after, Deed deed) {
        Sight current = now();
        if (current.lesson().isEmpty() || current.stair().isEmpty()) {
            return;
        }
        Lesson before = current.lesson().get();
        apply(Change.of(history.book(), lessonIndex, before.with(after), deed), current.chosen());
    }

    void apply(Change change, Sight.Chosen chosen) {
        history.apply(change);
        show(chosen);
    }

    public void place(Placement placement) {
        Sight current = now();
        if (current.stair().isEmpty() || current.tune().isEmpty()) {
            return;
        }
        Tune tune = current.tune().get();
        Stair before = current.stair().get();
        Stair after = before.placed(tune, current.chosen().stage(), placement);
        change(after, new Deed(Deed.Kind.PLACE, Words.name(placement.stack()), stageName()));
        say("Placed " + Words.article(placement.stack()) + " on " + where(tune, placement)
                + lowerStages(before, after));
    }

    private String where(Tune tune, Placement placement) {
        return Words.place(tune, tune.note(placement.span().first()));
    }

    private String stageName() {
        return now().version().map(Version::name).orElse("");
    }

    private String lowerStages(Stair before, Stair after) {
        List<String> changed = new ArrayList<>();
        for (int i = 0; i < now().chosen().stage(); i++) {
            if (!before.at(i).equals(after.at(i))) {
                changed.add(after.at(i).name());
            }
        }
        return changed.isEmpty() ? "" : "; " + String.join(", ", changed) + " changed with it, so that the stair rises";
    }

    /** Places what fits best; says why not where nothing does. */
    public void placeBest() {
        Optional<WhatFits> fits = whatFits();
        if (fits.isEmpty()) {
            say("There is no note here to ornament.");
            return;
        }
        Optional<Fit> best = fits.get().best();
        if (best.isPresent()) {
            place(best.get().placement());
        } else {
            say(fits.get().refused().stream().findFirst().map(Words::why).orElse("Nothing fits here."));
        }
    }

    /** In place of what stands here, the next (1) or the one before (−1) of what fits; places the best where nothing stands. */
    public void cycle(int direction) {
        Optional<WhatFits> fits = whatFits();
        if (fits.isEmpty() || fits.get().fitting().isEmpty()) {
            placeBest();
            return;
        }
        List<Placement> choices =
                fits.get().fitting().stream().map(Fit::placement).toList();
        Optional<Placement> current = now().note()
                .flatMap(note -> now().version().flatMap(version -> version.at(note)))
                .flatMap(Spot::first);
        int index = current.map(choices::indexOf).orElse(-1);
        int next = index < 0 ? 0 : Math.floorMod(index + direction, choices.size());
        place(choices.get(next));
    }

    /** Keeps a further option at the spot, for the page to say “or”. */
    public void keepOption(Placement placement) {
        Sight current = now();
        Optional<Spot> spot =
                current.version().flatMap(version -> version.at(placement.span().first()));
        if (current.tune().isEmpty() || current.stair().isEmpty()) {
            return;
        }
        if (spot.isEmpty() || spot.get().options().isEmpty()) {
            place(placement);
            return;
        }
        Spot more = spot.get().withOption(placement);
        if (more.equals(spot.get())) {
            say("That is already kept at this spot.");
            return;
        }
        Stair after = current.stair()
                .get()
                .withSpot(current.tune().get(), current.chosen().stage(), more);
        change(after, new Deed(Deed.Kind.KEEP_OPTION, placement.ornament().name(), stageName()));
        say("Kept a " + placement.ornament().name() + " as another option here");
    }

    /** Keeps the best of what fits and is not at the spot yet as a further option. */
    public void keepNextBest() {
        List<Placement> there = spotHere().map(Spot::options).orElse(List.of());
        Optional<Placement> next = whatFits().stream()
                .flatMap(fits -> fits.fitting().stream())
                .map(Fit::placement)
                .filter(placement -> !there.contains(placement))
                .findFirst();
        next.ifPresentOrElse(this::keepOption, () -> say("Nothing else fits here."));
    }

    /** The next of the kept options becomes the one that is played. */
    public void nextOption() {
        Sight current = now();
        Optional<Spot> spot = spotHere();
        if (spot.isEmpty() || spot.get().options().size() < 2 || current.stair().isEmpty()) {
            say("Only spots with several options can change between them; keep one with Shift+Enter first.");
            return;
        }
        Stair after = current.stair()
                .get()
                .withSpot(
                        current.tune().orElseThrow(),
                        current.chosen().stage(),
                        spot.get().withNextOption());
        change(after, new Deed(Deed.Kind.NEXT_OPTION, "", stageName()));
        say("The other option is played now");
    }

    /** What the teacher has written at the chosen note's spot. */
    public String sentenceHere() {
        Sight current = now();
        NoteId at = spotHere().map(Spot::at).or(current::note).orElse(new NoteId(-1));
        return current.version()
                .flatMap(version -> version.at(at))
                .map(Spot::sentence)
                .orElse("");
    }

    /** The teacher's own words at the chosen note; none when empty. */
    public void setSentence(String words) {
        Sight current = now();
        if (current.tune().isEmpty()
                || current.note().isEmpty()
                || current.stair().isEmpty()) {
            return;
        }
        NoteId at = spotHere().map(Spot::at).orElse(current.note().get());
        Spot spot = current.version().flatMap(version -> version.at(at)).orElse(Spot.bare(at));
        if (!spot.sentence().equals(words.strip())) {
            Stair after = current.stair()
                    .get()
                    .withSpot(current.tune().get(), current.chosen().stage(), spot.withSentence(words.strip()));
            change(after, new Deed(Deed.Kind.SENTENCE, "", stageName()));
            say(words.isBlank() ? "The words are gone" : "The words stand below the score and on the sheet");
        }
    }

    /** The times through for which what is played at the spot holds. */
    public void setPasses(Passes passes) {
        Sight current = now();
        Optional<Spot> spot = spotHere();
        if (spot.isEmpty() || spot.get().options().isEmpty() || current.stair().isEmpty()) {
            return;
        }
        List<Placement> options = new ArrayList<>(spot.get().options());
        options.set(0, options.get(0).withPasses(passes));
        Spot changed = spot.get().withOptions(options);
        Stair after = current.stair()
                .get()
                .withSpot(current.tune().orElseThrow(), current.chosen().stage(), changed);
        change(after, new Deed(Deed.Kind.PASSES, "", stageName()));
        say(passes.isEvery() ? "It is played every time" : "It is played only time " + passes.numbers());
    }

    public void remove() {
        Sight current = now();
        Optional<Spot> spot = spotHere();
        if (spot.isEmpty() || current.stair().isEmpty()) {
            say("There is no ornament on this note.");
            return;
        }
        Stair before = current.stair().get();
        Stair after = before.removed(
                current.tune().orElseThrow(),
                current.chosen().stage(),
                spot.get().at());
        String name =
                spot.get().first().map(placement -> placement.ornament().name()).orElse("note");
        change(after, new Deed(Deed.Kind.REMOVE, name, stageName()));
        say("Removed the " + name + lowerStages(before, after));
    }

    /** The stage worked on, copied over the one above. */
    public void copyUp() {
        Sight current = now();
        if (current.stair().isEmpty()) {
            return;
        }
        int stage = current.chosen().stage();
        Optional<Stair> after = current.stair().get().copiedUp(stage);
        if (after.isEmpty()) {
            say("A stair has nine stages at most.");
            return;
        }
        String from = stageName();
        change(after.get(), new Deed(Deed.Kind.COPY_UP, "", from));
        chooseStage(stage + 1);
        say("Copied " + from + " up to " + stageName());
    }

    /** The tempo of the stage worked on. */
    public void setTempo(Tempo tempo) {
        Sight current = now();
        if (current.stair().isEmpty() || current.version().isEmpty()) {
            return;
        }
        Version version = current.version().get();
        Version changed = version.withPlaying(version.playing().withTempo(tempo));
        change(
                current.stair().get().with(current.chosen().stage(), changed),
                new Deed(Deed.Kind.TEMPO, Words.tempo(tempo), version.name()));
        say(version.name() + " goes at " + Words.tempo(tempo));
    }

    /** A school for every stage of the stair. */
    public void setSchool(School school) {
        Sight current = now();
        if (current.stair().isEmpty()
                || current.version().map(version -> version.playing().school()).equals(Optional.of(school))) {
            return;
        }
        Stair after = current.stair()
                .get()
                .withEach(version -> version.withPlaying(version.playing().withSchool(school)));
        change(after, new Deed(Deed.Kind.SCHOOL, school.name(), stageName()));
        say(school.name() + ": " + school.about());
    }

    /** A number no tune of the book has. */
    int freshNumber() {
        return history.book().lessons().stream()
                        .mapToInt(lesson -> lesson.tune().header().number())
                        .max()
                        .orElse(0)
                + 1;
    }

    /** Fingerings of the chosen note. */
    public Slurs slurs() {
        return slurs;
    }

    /** Rules over the phrase of the chosen note. */
    public PhraseLayers layers() {
        return layers;
    }

    public Fingers fingers() {
        return fingers;
    }

    /** The verbs that change the tune itself. */
    public Writing writing() {
        return writing;
    }

    /** The book with everything done to it. */
    History history() {
        return history;
    }

    // Undo

    public void undo() {
        step(history.undo(), "Undone", "There is nothing to undo.");
    }

    public void redo() {
        step(history.redo(), "Done again", "There is nothing to do again.");
    }

    private void step(Optional<Change> change, String words, String nothing) {
        say(change.map(each -> words + ": " + describe(each.deed())).orElse(nothing));
        show(now().chosen());
    }

    /** A change in a few words. */
    public static String describe(Deed deed) {
        return switch (deed.kind()) {
            case PLACE -> "placed " + deed.subject() + " in " + deed.stage();
            case CYCLE -> "changed to " + deed.subject() + " in " + deed.stage();
            case KEEP_OPTION -> "kept " + deed.subject() + " as an option in " + deed.stage();
            case NEXT_OPTION -> "changed the option played in " + deed.stage();
            case REMOVE -> "removed " + deed.subject() + " from " + deed.stage();
            case SENTENCE -> "wrote a sentence in " + deed.stage();
            case PASSES -> "chose the times through in " + deed.stage();
            case PIN -> "kept a fingering of " + deed.subject();
            case COPY_UP -> "copied " + deed.stage() + " up";
            case TEMPO -> "set " + deed.stage() + " to " + deed.subject();
            case LAYER -> "turned " + deed.subject() + " in " + deed.stage();
            case SCHOOL -> "chose a school for " + deed.stage();
            case EDIT -> "wrote in " + deed.subject();
            case PHRASE -> "marked phrases in " + deed.subject();
            case NEW_TUNE -> "began a new tune";
            case RECOVER -> "brought unsaved changes back";
            case TAKE_SAVED -> "kept " + deed.stage() + " as it was saved";
            case KEEP_AS_TUNE -> "kept the changed notes of " + deed.stage() + " as a tune";
        };
    }

    // Versions that another program changed

    /** The first written-out stage of the chosen lesson that another program has changed and nobody has decided on. */
    public Optional<Lesson.Altered> undecided() {
        return now().lesson().flatMap(lesson -> lesson.altered().stream().findFirst());
    }

    /** The stage stays as it was saved; the changed notes are let go (undo brings them back). */
    public void takeSaved(Lesson.Altered altered) {
        Lesson before = now().lesson().orElseThrow();
        String name = altered.saved().name();
        apply(
                Change.of(
                        history.book(), lessonIndex, before.without(altered), new Deed(Deed.Kind.TAKE_SAVED, "", name)),
                now().chosen());
        say(name + " stays as it was saved");
    }

    /** The changed notes become a tune of their own at the end of the book; the stage stays as it was saved. */
    public void keepAsTune(Lesson.Altered altered) {
        Lesson before = now().lesson().orElseThrow();
        String name = altered.saved().name();
        int number = freshNumber();
        List<BookItem> after = new ArrayList<>();
        after.add(before.without(altered));
        after.add(new BookItem.Text("\n\n"));
        after.addAll(BookReader.read(BookWriter.asOwnTune(altered.text(), number))
                .value()
                .items());
        Change change = new Change(
                history.book().itemOf(lessonIndex), List.of(before), after, new Deed(Deed.Kind.KEEP_AS_TUNE, "", name));
        apply(change, now().chosen());
        say("The changed notes of " + name + " are now tune X:" + number);
    }
}
