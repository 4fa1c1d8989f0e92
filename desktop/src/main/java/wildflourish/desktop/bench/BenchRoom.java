package wildflourish.desktop.bench;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import javafx.application.Platform;
import javafx.beans.value.ObservableValue;
import javafx.geometry.Orientation;
import javafx.scene.Node;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.SplitPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import wildflourish.core.engraving.Score;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Step;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Version;
import wildflourish.desktop.action.Action;
import wildflourish.desktop.action.ActionRow;
import wildflourish.desktop.action.Actions;
import wildflourish.desktop.desk.Besides;
import wildflourish.desktop.desk.Choosing;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Everywhere;
import wildflourish.desktop.desk.Fingers;
import wildflourish.desktop.desk.Here;
import wildflourish.desktop.desk.Look;
import wildflourish.desktop.desk.Options;
import wildflourish.desktop.desk.Outcome;
import wildflourish.desktop.desk.PhraseLayers;
import wildflourish.desktop.desk.Placing;
import wildflourish.desktop.desk.Planning;
import wildflourish.desktop.desk.Playback;
import wildflourish.desktop.desk.Shapes;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.desk.Slurs;
import wildflourish.desktop.desk.Stages;
import wildflourish.desktop.desk.Writing;
import wildflourish.desktop.hearing.Transport;
import wildflourish.desktop.look.Paging;
import wildflourish.desktop.look.Size;
import wildflourish.desktop.look.Theme;
import wildflourish.desktop.room.Room;
import wildflourish.desktop.room.Tools;
import wildflourish.desktop.view.CloseUp;
import wildflourish.desktop.view.CloseUpView;
import wildflourish.desktop.view.ScoreView;
import wildflourish.desktop.view.ScoreWish;
import wildflourish.files.abc.TuneEditor;

/** Where ornaments are placed: the stages over the score, under it close-up or text, beside it what fits. */
public final class BenchRoom implements Room {
    public static final String ID = "bench";
    /** Where its score, what fits and its actions are at hand. */
    private static final Set<String> ROOMS = Set.of(ID, StairRoom.ID);

    private static final double SCRUB_MILLIS = 5;
    private static final double CLOSE_UP_SHARE = 0.56;
    private static final double WRITE_SHARE = 0.6;

    private final Desk desk;
    private final Transport transport;
    private final ObservableValue<Boolean> isHere;
    private final ScoreView score;
    private final SplitPane panes = new SplitPane();
    private final CloseUpView closeUp = new CloseUpView();
    private final WritePane write;
    private final Offers offers;
    private final GrowthStrip strip;
    private final PhraseBar phrases;
    private final FitsPane fits;
    private final PlanPane plan;
    private final RemarksPane remarks;
    private final TastePane taste;
    private final ScrollPane planSide;
    private final StackPane side;
    private final VBox centre;

    /** All that decides what the score shows. */
    private record Shown(
            Optional<Tune> tune,
            Optional<Version> version,
            Profile profile,
            Look look,
            Optional<NoteId> note,
            Optional<ScoreWish.Stages> stair) {
        static Shown of(Sight sight) {
            boolean isStair = sight.room().equals(StairRoom.ID) && sight.isBegun();
            boolean isPhrase =
                    isStair ? !sight.look().isWholeStair() : sight.look().page() == Paging.PHRASE;
            Optional<Version> version =
                    sight.isBegun() ? sight.version() : sight.version().map(each -> each.withName("plain"));
            return new Shown(
                    sight.tune(),
                    version,
                    sight.chosen().profile(),
                    sight.look(),
                    isPhrase ? sight.note() : Optional.empty(),
                    sight.stair()
                            .filter(stair -> isStair)
                            .map(stair ->
                                    ScoreWish.Stages.of(stair, sight.chosen().stage())));
        }

        ScoreWish wish() {
            ScoreWish one = new ScoreWish(
                    tune,
                    version,
                    profile,
                    look.shows(),
                    look.size(),
                    look.page(),
                    look.isInSmallNotes(),
                    note,
                    List.of());
            return stair.map(one::with).orElse(one);
        }
    }

    /** All that decides what the close-up shows. */
    private record Near(
            boolean isShown, Optional<Tune> tune, Optional<Version> version, Sight.Chosen chosen, Playback playback) {
        static Near of(Sight sight) {
            return new Near(
                    sight.look().pane() == Look.Pane.CLOSE_UP,
                    sight.tune(),
                    sight.version(),
                    sight.chosen(),
                    sight.playback().playing(false));
        }
    }

    public BenchRoom(Tools tools) {
        this.desk = tools.desk();
        this.transport = tools.transport();
        this.isHere = desk.of(sight -> ROOMS.contains(sight.room()));
        bind(tools.actions());
        score = new ScoreView(tools.soon(), tools.hands());
        score.setId("score");
        write = new WritePane(desk);
        offers = new Offers(tools, ROOMS);
        strip = new GrowthStrip(desk, tools.actions(), tools.soon(), offers::carry, () -> score.requestFocus());
        phrases = new PhraseBar(desk, tools.actions());
        fits = new FitsPane(desk, tools.actions(), score::preview, transport::playTried);
        Fitting fitting = new Fitting(tools.tastes());
        plan = new PlanPane(tools, fitting, score::propose);
        planSide = new ScrollPane(plan);
        planSide.setFitToWidth(true);
        planSide.setFitToHeight(true);
        planSide.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        planSide.setVisible(false);
        remarks = new RemarksPane(tools, fitting);
        remarks.setVisible(false);
        taste = new TastePane(tools);
        taste.setVisible(false);
        side = new StackPane(fits, planSide, remarks, taste);
        for (Node each : List.of(fits, planSide, remarks, taste)) {
            each.managedProperty().bind(each.visibleProperty());
        }
        panes.setOrientation(Orientation.VERTICAL);
        panes.getItems().add(score);
        panes.setId("bench-panes");
        VBox.setVgrow(panes, Priority.ALWAYS);
        centre = new VBox(strip, offers, phrases, panes, new LoadStrip(tools));
        watch(tools);
    }

    private void watch(Tools tools) {
        tools.whileIn(ROOMS, Shown::of, shown -> score.show(shown.wish()));
        tools.whileIn(ROOMS, sight -> sight, plan::show);
        tools.whileIn(ROOMS, sight -> sight, remarks::show);
        tools.whileIn(ROOMS, Sight::range, score::mark);
        tools.whileIn(
                ROOMS,
                sight -> List.of(sight.tune(), sight.version(), sight.chosen()),
                chosen -> score.setAccessibleText(NoteWords.of(desk.here())));
        desk.of(sight -> sight.look().pane()).subscribe(this::showPane);
        tools.whileIn(ROOMS, Near::of, near -> {
            if (near.isShown()) {
                closeUp.show(transport
                        .realisation()
                        .flatMap(worked -> near.version()
                                .flatMap(version -> near.chosen()
                                        .note()
                                        .flatMap(note -> CloseUp.of(
                                                worked, version, near.chosen().profile(), note)))));
            }
        });
    }

    private void showPane(Look.Pane pane) {
        if (panes.getItems().contains(write) && pane != Look.Pane.WRITE) {
            write.finish();
        }
        panes.getItems().setAll(score);
        switch (pane) {
            case NONE -> {}
            case CLOSE_UP -> {
                panes.getItems().add(closeUp);
                divide(CLOSE_UP_SHARE);
            }
            case WRITE -> {
                panes.getItems().add(write);
                divide(WRITE_SHARE);
                write.text().requestFocus();
            }
        }
        if (pane != Look.Pane.WRITE) {
            score.requestFocus();
        }
    }

    /** So much of the height for the score at most, and no system cut by it. */
    private void divide(double share) {
        panes.setDividerPosition(0, share);
        Platform.runLater(() -> {
            double height = panes.getHeight();
            if (height > 0) {
                ScoreView.Whole whole = score.whole(height * share);
                panes.setDividerPosition(0, whole.height() / height);
                panes.layout();
                score.show(whole);
            }
        });
    }

    @Override
    public String id() {
        return ID;
    }

    @Override
    public Region centre() {
        return centre;
    }

    @Override
    public Optional<Region> side() {
        return Optional.of(side);
    }

    @Override
    public Node first() {
        return desk.sight().get().look().pane() == Look.Pane.WRITE ? write.text() : score;
    }

    @Override
    public void setTheme(Theme theme) {
        score.setTheme(theme);
        closeUp.setTheme(theme);
        fits.setTheme(theme);
        strip.setTheme(theme);
    }

    @Override
    public void hear(Optional<Double> millis, Optional<NoteId> note) {
        score.light(note);
        closeUp.setHeard(millis);
    }

    @Override
    public Optional<NoteId> beyondLine(NoteId note, int direction) {
        return score.beyondLine(note, direction);
    }

    /** The score of the stage worked on. */
    public ScoreView score() {
        return score;
    }

    // Actions

    private void bind(Actions actions) {
        does(actions, "place", Placing::best);
        does(actions, "next-choice", here -> Placing.cycle(here, 1));
        does(actions, "choice-before", here -> Placing.cycle(here, -1));
        does(actions, "on-top", Placing::onTop);
        does(actions, "remove", Placing::remove);
        does(actions, "keep-option", Options::keepNextBest);
        does(actions, "other-option", Options::next);
        does(actions, "slur", Slurs::next);
        does(actions, "fingering", Fingers::next);
        actions.bind("fits", isHere, () -> fits.focusList());
        does(actions, "everywhere", Everywhere::place);
        does(actions, "change-everywhere", here -> Everywhere.cycle(here, 1));
        does(actions, "change-back-everywhere", here -> Everywhere.cycle(here, -1));
        does(actions, "remove-everywhere", Everywhere::remove);
        does(actions, "times", Everywhere::nextPasses);
        does(actions, "next-rule", PhraseLayers::next);
        does(actions, "turn-phrase", Writing::turnPhrase);
        does(actions, "copy-up", Stages::copyUp);
        does(actions, "add-stage", Stages::add);
        does(actions, "begin-stair", Stages::begin);
        does(actions, "insert-stage", Shapes::insert);
        does(actions, "free-version", Besides::free);
        does(actions, "simpler-version", Besides::simpler);
        actions.bind("study-version", isHere, () -> offers.study());
        actions.bind("thin-version", isHere, () -> offers.thin());
        actions.bind("aim", isHere, () -> strip.aim());
        actions.bind("remove-stage", isHere, () -> offers.shape(Shapes.withoutStage(desk.here())));
        actions.bind("stage-higher", isHere, () -> offers.shape(Shapes.movedStage(desk.here(), 1)));
        actions.bind("stage-lower", isHere, () -> offers.shape(Shapes.movedStage(desk.here(), -1)));
        does(actions, "later-stage", Shapes::later);
        does(actions, "earlier-stage", Shapes::earlier);
        does(actions, "heavier", here -> Shapes.resized(here, 1));
        does(actions, "lighter", here -> Shapes.resized(here, -1));
        does(actions, "next-voice", Writing::nextVoice);
        bindPlanning(actions);
        actions.bind("rename-stage", isHere, () -> strip.rename());
        actions.bind("tell-students", isHere, () -> strip.tell());
        bindRules(actions);
        bindLooking(actions);
        bindWriting(actions);
    }

    private void bindPlanning(Actions actions) {
        actions.bind("plan-from-here", isHere, () -> {
            showSide(planSide);
            plan.plan();
        });
        actions.bind("put-plan-away", isHere, () -> {
            showSide(fits);
            plan.putAway();
        });
        actions.bind("remarks", isHere, () -> {
            showSide(remarks.isVisible() ? fits : remarks);
            remarks.show(desk.sight().get());
        });
        actions.bind("learn-taste", isHere, () -> {
            showSide(taste);
            taste.learn();
        });
        actions.bind("mend-remark", isHere, () -> remarks.mend());
        actions.bind("take-proposal", isHere, () -> plan.takeSpot());
        actions.bind("refuse-proposal", isHere, () -> plan.refuse());
        actions.bind("take-phrase-proposals", isHere, () -> plan.takePhrase());
        actions.bind("take-all-proposals", isHere, () -> plan.takeAll());
        actions.bind("second-way", isHere, () -> plan.secondWay());
        does(actions, "ask-something", Planning::askSomething);
        does(actions, "ask-nothing", Planning::askNothing);
        does(actions, "ask-in-bar", Planning::askInBar);
        does(actions, "ask-later", Planning::askLater);
        does(actions, "lift-pins", Planning::lift);
    }

    private void showSide(Node shown) {
        side.getChildren().forEach(each -> each.setVisible(each == shown));
        score.requestFocus();
    }

    /** Each rule over the chosen notes or the phrase, on and off, where the instrument knows it. */
    private void bindRules(Actions actions) {
        for (Layer.Rule rule :
                Layer.Rule.all().stream().filter(Layer.Rule::isTurnedOn).toList()) {
            actions.put(Action.of(
                            ActionRow.of("rule-" + rule.id(), "rules", "Over the phrase: " + rule.name()),
                            () -> desk.does(here -> PhraseLayers.turn(here, rule)))
                    .when(desk.of(sight -> ROOMS.contains(sight.room())
                            && Layer.Rule.of(sight.instrument().family()).contains(rule))));
        }
    }

    private void does(Actions actions, String id, Function<Here, Outcome> verb) {
        actions.bind(id, isHere, () -> desk.does(verb));
    }

    private void bindLooking(Actions actions) {
        pane(actions, "close-up", Look.Pane.CLOSE_UP);
        pane(actions, "write", Look.Pane.WRITE);
        actions.bindOn(
                "whole-stair",
                desk.of(sight -> sight.room().equals(StairRoom.ID)),
                desk.of(sight -> sight.look().isWholeStair()),
                () -> desk.look(look -> look.withWholeStair(!look.isWholeStair())));
        page(actions, "lens", Paging.PHRASE);
        page(actions, "sheets", Paging.SHEETS);
        actions.bind("earlier", isHere, () -> closeUp.scrubBy(-SCRUB_MILLIS));
        actions.bind("later", isHere, () -> closeUp.scrubBy(SCRUB_MILLIS));
        actions.bindOn("letters", isHere, desk.of(sight -> sight.look().shows().letters()), this::otherLetters);
        actions.bind("next-fingerings", isHere, this::nextFingerings);
        actions.bindOn("small-notes", isHere, desk.of(sight -> sight.look().isInSmallNotes()), () -> {
            desk.look(look -> look.withSmallNotes(!look.isInSmallNotes()));
            desk.say(
                    desk.sight().get().look().isInSmallNotes()
                            ? "Ornaments are written out as small notes"
                            : "Ornaments are drawn as signs");
        });
        actions.bind("larger", isHere, () -> size(Size.stepped(score.space(), 1)));
        actions.bind("smaller", isHere, () -> size(Size.stepped(score.space(), -1)));
        actions.bindOn(
                "fit-width", isHere, desk.of(sight -> sight.look().size().equals(Size.WIDTH)), () -> size(Size.WIDTH));
        actions.bindOn(
                "fit-whole", isHere, desk.of(sight -> sight.look().size().equals(Size.WHOLE)), () -> size(Size.WHOLE));
    }

    private void pane(Actions actions, String id, Look.Pane pane) {
        actions.bindOn(
                id,
                isHere,
                desk.of(sight -> sight.look().pane() == pane),
                () -> desk.look(look -> look.withPane(look.pane() == pane ? Look.Pane.NONE : pane)));
    }

    private void page(Actions actions, String id, Paging page) {
        actions.bindOn(
                id,
                isHere,
                desk.of(sight -> sight.look().page() == page),
                () -> desk.look(look -> look.withPage(look.page() == page ? Paging.LONG : page)));
    }

    private void size(Size size) {
        desk.look(look -> look.withSize(size));
        desk.say(
                size.equals(Size.WIDTH)
                        ? "A usual page across"
                        : size.equals(Size.WHOLE)
                                ? "The whole tune in sight, if it can be read then"
                                : "A staff space is drawn with " + size.pixels() + " pixels");
    }

    private void otherLetters() {
        desk.look(look -> look.withShows(look.shows().withLetters(!look.shows().letters())));
    }

    private void nextFingerings() {
        Score.Fingerings[] all = Score.Fingerings.values();
        desk.look(look -> look.withShows(
                look.shows().withFingerings(all[(look.shows().fingerings().ordinal() + 1) % all.length])));
    }

    /** Writing and correcting the tune itself on the staff. */
    private void bindWriting(Actions actions) {
        for (Step step : Step.values()) {
            adds(
                    actions,
                    "note-" + step.name().toLowerCase(Locale.ROOT),
                    (editor, note) -> editor.inserted(note, step));
        }
        adds(actions, "add-rest", TuneEditor::insertedRest);
        corrects(actions, "step-up", (editor, note) -> editor.stepped(note, 1));
        corrects(actions, "step-down", (editor, note) -> editor.stepped(note, -1));
        corrects(actions, "octave-up", (editor, note) -> editor.stepped(note, 7));
        corrects(actions, "octave-down", (editor, note) -> editor.stepped(note, -7));
        corrects(actions, "sharper", (editor, note) -> editor.altered(note, 1));
        corrects(actions, "flatter", (editor, note) -> editor.altered(note, -1));
        corrects(actions, "twice-as-long", (editor, note) -> editor.lengthened(note, Fraction.of(2, 1)));
        corrects(actions, "half-as-long", (editor, note) -> editor.lengthened(note, Fraction.of(1, 2)));
        corrects(actions, "dotted", (editor, note) -> editor.lengthened(note, Fraction.of(3, 2)));
        corrects(actions, "tie", TuneEditor::tied);
        corrects(actions, "bar-line", (editor, note) -> editor.insertedSign(note, "|"));
        corrects(actions, "repeat-end", (editor, note) -> editor.insertedSign(note, ":|"));
        corrects(actions, "repeat-begin", (editor, note) -> editor.insertedSign(note, "|:"));
        corrects(actions, "part-end", (editor, note) -> editor.insertedSign(note, "||"));
        does(actions, "take-out", Writing::takeOut);
        does(actions, "tune-up", here -> Writing.transpose(here, 1));
        does(actions, "tune-down", here -> Writing.transpose(here, -1));
        does(actions, "next-metre", here -> Writing.nextMetre(here, 1));
        does(actions, "metre-before", here -> Writing.nextMetre(here, -1));
        does(actions, "key-sharper", here -> Writing.moveKey(here, 1));
        does(actions, "key-flatter", here -> Writing.moveKey(here, -1));
    }

    private void corrects(Actions actions, String id, Writing.Correction correction) {
        does(actions, id, here -> Writing.correct(here, correction));
    }

    /** Something is added after the chosen note and gone on to. */
    private void adds(Actions actions, String id, Writing.Correction correction) {
        actions.bind(id, isHere, () -> {
            Here before = desk.here();
            desk.does(here -> Writing.correct(here, correction));
            if (Writing.hasGrown(before, desk.here())) {
                desk.does(here -> Choosing.walk(here, 1));
            }
        });
    }
}
