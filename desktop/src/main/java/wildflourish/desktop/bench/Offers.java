package wildflourish.desktop.bench;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.scene.layout.VBox;
import wildflourish.core.arranging.Study;
import wildflourish.core.carrying.Carried;
import wildflourish.core.growing.Growth;
import wildflourish.core.growing.Thinning;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.recognition.Recognition;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Beside;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.words.CarriedWords;
import wildflourish.core.words.RecognitionWords;
import wildflourish.core.words.StairWords;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.desk.Besides;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Shapes;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.desk.Stages;
import wildflourish.desktop.desk.Taking;
import wildflourish.desktop.room.Tools;

/** What can be taken up for a tune, each shown before it is done: the ornaments that its text writes, and a stair of another instrument. */
final class Offers extends VBox {
    private final Desk desk;
    private final Tools.Away away;
    private final OfferRow written;
    private final OfferRow carry;
    private Optional<Recognition> recognition = Optional.empty();
    private Optional<Carried> carried = Optional.empty();
    private final OfferRow shape;
    private Optional<Shapes.Shaped> shaped = Optional.empty();

    /** All that decides what the ornaments in a text come to. */
    private record Text(Optional<Tune> tune, Optional<Version> plain, Profile profile) {
        static Text of(Sight sight) {
            return new Text(
                    sight.tune().filter(tune -> Recognition.count(tune) > 0),
                    sight.version().map(version -> Version.plain("plain", version.playing())),
                    sight.chosen().profile());
        }
    }

    Offers(Tools tools, Set<String> rooms) {
        this.desk = tools.desk();
        this.away = tools.away();
        written = new OfferRow(
                "written-offer",
                "Place them",
                "They leave the text and stand in the stage worked on and those above; Undo brings the text back",
                () -> recognition.ifPresent(read -> desk.does(here -> Taking.written(here, read))));
        carry = new OfferRow(
                "carry-offer",
                "Take it over",
                "The stair of this instrument begins with these",
                () -> carried.ifPresent(made -> desk.does(here -> Stages.carried(here, made))));
        shape = new OfferRow(
                "shape-offer",
                "Do it",
                "What is listed is lost from the stages; Undo brings it back",
                () -> shaped.ifPresent(each -> desk.does(here -> Shapes.take(here, each))),
                Controls.button(
                        "Do it, and keep what is lost",
                        "shape-offer-keep",
                        "Each stage that would lose something stands beside the stair as it is now, as a free version",
                        this::shapeAndKeep));
        getChildren().addAll(written, carry, shape);
        tools.whileIn(rooms, Text::of, this::read);
        desk.of(sight -> List.of(sight.lessonIndex(), sight.instrument())).subscribe(other -> carry.hide());
        desk.of(Sight::stair).subscribe(other -> shape.hide());
    }

    private void read(Text text) {
        written.hide();
        recognition = Optional.empty();
        if (text.tune().isEmpty() || text.plain().isEmpty()) {
            return;
        }
        Tune tune = text.tune().get();
        Version plain = text.plain().get();
        away.work("Looking for ornaments in the text", () -> Recognition.of(tune, plain, text.profile()), found -> {
            if (Text.of(desk.sight().get()).equals(text) && !found.placeable().isEmpty()) {
                offer(found, tune);
            }
        });
    }

    private void offer(Recognition found, Tune tune) {
        recognition = Optional.of(found);
        Instrument instrument = desk.sight().get().instrument();
        written.offer(
                RecognitionWords.count(found) + " on the " + instrument.name() + ".",
                found.all().stream()
                        .map(each -> RecognitionWords.of(each, tune, instrument))
                        .toList());
    }

    /** Gives the stair another shape; where something would be lost by it, that is shown first. */
    void shape(Optional<Shapes.Shaped> wanted) {
        if (wanted.isEmpty()) {
            desk.does(Shapes::noShape);
            return;
        }
        int lost = wanted.get().shaping().losses().size();
        if (lost == 0) {
            desk.does(here -> Shapes.take(here, wanted.get()));
            return;
        }
        shaped = wanted;
        Tune tune = desk.sight().get().tune().orElseThrow();
        shape.offer(
                "The stair would lose " + (lost == 1 ? "one placement" : lost + " placements")
                        + " by it, for each stage must bear what the one below has.",
                StairWords.of(wanted.get().shaping(), tune));
    }

    /** Works out all that fits, for study, and sets it beside the stair. */
    void study() {
        Sight sight = desk.sight().get();
        if (sight.tune().isEmpty() || sight.version().isEmpty()) {
            return;
        }
        Tune tune = sight.tune().get();
        Version played = sight.version().get();
        away.work(
                "Looking for all that fits",
                () -> Study.of(tune, played.withName("Study"), sight.chosen().profile()),
                study -> {
                    if (desk.sight().get().tune().equals(Optional.of(tune))
                            && desk.sight().get().instrument().equals(sight.instrument())) {
                        desk.does(here -> Besides.add(
                                here,
                                new Beside(Beside.Kind.STUDY, "all that fits", study),
                                "All that fits: " + study.ornamented() + " ornaments, to be thinned"));
                    }
                });
    }

    /** Works out what is good of a full version, down to the number it aims at where it has one, and sets that beside the stair. */
    void thin() {
        Sight sight = desk.sight().get();
        int index = sight.chosen().stage();
        Optional<Version> full = sight.version().filter(version -> index > 0 && !version.isPlain());
        if (sight.tune().isEmpty() || sight.stair().isEmpty() || full.isEmpty()) {
            desk.say("There is nothing to thin: go to a version with ornaments.");
            return;
        }
        Tune tune = sight.tune().get();
        Stair stair = sight.stair().get();
        Optional<Integer> count = stair.besideAt(index).map(Beside::aim).filter(aim -> aim > 0);
        away.work(
                "Thinning " + full.get().name(),
                () -> new Thinning(count, Optional.empty())
                        .of(
                                tune,
                                stair,
                                index,
                                sight.chosen().profile(),
                                Growth.choices(tune, stair, sight.chosen().profile())),
                thin -> {
                    if (desk.sight().get().stair().equals(Optional.of(stair))) {
                        desk.does(here -> Besides.add(
                                here,
                                new Beside(Beside.Kind.FREE, full.get().name(), thin.withName("Thinned")),
                                full.get().ornamented() + " ornaments thinned to " + thin.ornamented()));
                    }
                });
    }

    private void shapeAndKeep() {
        shaped.ifPresent(each -> desk.does(here ->
                Shapes.keeping(here, each).map(kept -> Shapes.take(here, kept)).orElseGet(() -> Besides.full())));
    }

    /** Works out what a stair of another instrument becomes on this one, and offers it. */
    void carry(Stair from) {
        Sight sight = desk.sight().get();
        if (sight.tune().isEmpty()) {
            return;
        }
        Tune tune = sight.tune().get();
        Instrument to = sight.instrument();
        away.work(
                "Carrying over to the " + to.name(),
                () -> Carried.of(tune, from, to, sight.chosen().profile()),
                made -> {
                    if (desk.sight().get().tune().equals(Optional.of(tune))
                            && desk.sight().get().instrument().equals(to)) {
                        carried = Optional.of(made);
                        carry.offer(
                                "From the " + from.instrument().name() + " to the " + to.name() + ": "
                                        + CarriedWords.count(made) + ".",
                                made.moves().stream()
                                        .map(move -> CarriedWords.of(made, move, tune))
                                        .toList());
                    }
                });
    }
}
