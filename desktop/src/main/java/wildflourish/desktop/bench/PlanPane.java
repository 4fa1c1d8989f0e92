package wildflourish.desktop.bench;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import javafx.geometry.Pos;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuButton;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.growing.Choices;
import wildflourish.core.growing.Liking;
import wildflourish.core.growing.Option;
import wildflourish.core.growing.Plan;
import wildflourish.core.growing.StagePlan;
import wildflourish.core.growing.Task;
import wildflourish.core.growing.WhyNot;
import wildflourish.core.instrument.Family;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Span;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.version.Wish;
import wildflourish.core.words.GrowthWords;
import wildflourish.core.words.Words;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.desk.Choosing;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Planning;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.look.Pick;
import wildflourish.desktop.room.Tools;

/** Beside the score, when a plan is asked for: what is wished of the stage, what is proposed for it in pale signs, why that and not something else, and what of it is taken. */
final class PlanPane extends VBox {
    private static final List<String> DEGREES = List.of("far less", "less", "as usual", "more", "far more");
    private static final List<String> RISES = List.of("far later", "later", "evenly", "sooner", "far sooner");
    private static final List<String> RETURNS = List.of("as usual", "alike", "varied");
    private static final int USUAL = 2;

    private final Desk desk;
    private final Tools tools;
    private final Planned planned;
    private final BiConsumer<Version, List<Placement>> propose;
    private final Label title = new Label();
    private final Pick taste = new Pick("wish-taste", "What the plan goes by", this::chooseTaste);
    private final List<Pick> degrees = new ArrayList<>();
    private final Pick returns = new Pick(
            "wish-returns",
            "How a phrase that comes back is dressed; usually alike, at the fullest stages each as is best there",
            index -> wish(wish -> wish.with(Wish.Returns.values()[index]), "Returns are " + RETURNS.get(index)));
    private final Pick occasion = new Pick(
            "wish-occasion",
            "Whether it is for playing with others or for listeners",
            index -> wishOfAll(wish -> wish.forConcert(index == 1), index == 1 ? "For a concert" : "For a session"));
    private final MenuButton kinds = new MenuButton("Kinds");
    private final AskedMenu askedFor;
    private final Label told = new Label();
    private final ListView<Placement> list = new ListView<>();
    private final Label why = new Label();
    private final VBox others = new VBox(4);
    private final VBox taking;
    private Optional<Sight> seen = Optional.empty();
    private boolean isFilling;

    PlanPane(Tools tools, Fitting fitting, BiConsumer<Version, List<Placement>> propose) {
        super(8);
        this.tools = tools;
        this.desk = tools.desk();
        this.propose = propose;
        this.askedFor = new AskedMenu(desk);
        this.planned = new Planned(tools, fitting, this::show);
        setId("plan-pane");
        getStyleClass().add("side");
        title.getStyleClass().add("where");
        title.setId("plan-title");
        title.setWrapText(true);
        for (Wish.Degree degree : Wish.Degree.values()) {
            degrees.add(new Pick("wish-" + degree.word(), about(degree), index -> {
                UnaryOperator<Wish> change = wish -> wish.with(degree, index - USUAL);
                String words = name(degree) + ": " + scale(degree).get(index);
                if (degree == Wish.Degree.RISE) {
                    wishOfAll(change, words);
                } else {
                    wish(change, words);
                }
            }));
        }
        kinds.setId("wish-kinds");
        kinds.setAccessibleText("Kinds of ornament that may be planned");
        GridPane knobs = knobs();
        told.setId("plan-told");
        told.setWrapText(true);
        told.setMinHeight(Region.USE_PREF_SIZE);
        list.setId("plan-list");
        list.setAccessibleText("What is proposed for this stage");
        list.setMinHeight(76);
        VBox.setVgrow(list, Priority.ALWAYS);
        list.setCellFactory(view -> new ListCell<>() {
            @Override
            protected void updateItem(Placement placement, boolean isEmpty) {
                super.updateItem(placement, isEmpty);
                setText(isEmpty || placement == null ? "" : words(placement));
            }
        });
        list.getSelectionModel()
                .selectedItemProperty()
                .subscribe(item -> Optional.ofNullable(item).ifPresent(this::chose));
        list.setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.ENTER) {
                takeSpot();
                event.consume();
            } else if (event.getCode() == KeyCode.DELETE) {
                refuse();
                event.consume();
            }
        });
        why.setId("plan-why");
        others.setId("plan-others");
        why.setWrapText(true);
        why.setMinHeight(Region.USE_PREF_SIZE);
        FlowPane take = new FlowPane(
                6,
                6,
                Controls.button(tools.actions().of("take-proposal")),
                Controls.button(tools.actions().of("refuse-proposal")),
                Controls.button(tools.actions().of("take-phrase-proposals")),
                Controls.button(tools.actions().of("take-all-proposals")));
        taking = new VBox(8, list, why, others, take);
        VBox.setVgrow(taking, Priority.ALWAYS);
        taking.managedProperty().bind(taking.visibleProperty());
        HBox ask = new HBox(
                6,
                Controls.button(tools.actions().of("plan-from-here")),
                Controls.button(tools.actions().of("second-way")),
                Controls.button(tools.actions().of("put-plan-away")));
        ask.setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(title, knobs, ask, told, taking);
    }

    private GridPane knobs() {
        GridPane knobs = new GridPane();
        knobs.setHgap(6);
        knobs.setVgap(4);
        ColumnConstraints words = new ColumnConstraints();
        words.setMinWidth(Region.USE_PREF_SIZE);
        ColumnConstraints pick = new ColumnConstraints(60, 100, Double.MAX_VALUE);
        pick.setHgrow(Priority.ALWAYS);
        knobs.getColumnConstraints().addAll(words, pick, words, pick);
        knobs.addRow(0, new Label("Taste"), taste);
        knobs.addRow(1, new Label("How much"), degrees.get(0), new Label("Daring"), degrees.get(1));
        knobs.addRow(2, new Label("On beats"), degrees.get(2), new Label("Returns"), returns);
        knobs.addRow(3, new Label("Rises"), degrees.get(3), new Label("For a"), occasion);
        knobs.addRow(4, new Label("Kinds"), kinds, new Label("Asked for"), askedFor);
        GridPane.setColumnSpan(taste, 3);
        asked().forEach(each -> each.setMaxWidth(Double.MAX_VALUE));
        return knobs;
    }

    private List<Region> asked() {
        List<Region> asked = new ArrayList<>(List.of(taste, returns, occasion, kinds, askedFor));
        asked.addAll(degrees);
        return asked;
    }

    private static List<String> scale(Wish.Degree degree) {
        return degree == Wish.Degree.RISE ? RISES : DEGREES;
    }

    private static String name(Wish.Degree degree) {
        return switch (degree) {
            case FULL -> "How much";
            case DARING -> "Daring";
            case BEAT -> "On beats";
            case RISE -> "Rises";
        };
    }

    private static String about(Wish.Degree degree) {
        return switch (degree) {
            case FULL -> "How many ornaments the stage has";
            case DARING -> "How hard and heavy a single one may be";
            case BEAT -> "Whether ornaments stand rather on the beat or off it";
            case RISE -> "How soon the stages of the stair grow full";
        };
    }

    // What is wished

    private void wish(UnaryOperator<Wish> change, String words) {
        if (!isFilling) {
            desk.does(here -> Planning.wish(here, change, words));
        }
    }

    /** What is wished of the stair, in all its stages. */
    private void wishOfAll(UnaryOperator<Wish> change, String words) {
        if (!isFilling) {
            desk.does(here -> Planning.wishOfAll(here, change, words));
        }
    }

    /** Those of the instrument's family, the usual one first, her own last. */
    private List<Liking> tastes(Sight sight) {
        Family family = sight.instrument().family();
        return Choices.tastes(family, tools.tastes().of(family));
    }

    private static Liking liking(List<Liking> all, Version version) {
        String wished = version.label().wish().taste();
        return all.stream().filter(each -> each.id().equals(wished)).findFirst().orElse(all.get(0));
    }

    private void chooseTaste(int index) {
        Liking liking = tastes(desk.sight().get()).get(index);
        wish(wish -> wish.withTaste(index == 0 ? "" : liking.id()), "Planned by " + liking.name());
    }

    /** Shows what is on the desk; the plan goes on where one is asked for. */
    void show(Sight sight) {
        seen = Optional.of(sight);
        planned.follow(sight);
        show();
    }

    private void show() {
        Optional<Version> version = seen.flatMap(Sight::version);
        int stage = seen.map(sight -> sight.chosen().stage()).orElse(0);
        boolean isStage = seen.flatMap(Sight::stair)
                .filter(stair -> stair.isStage(stage) && stage > 0)
                .isPresent();
        title.setText(
                isStage
                        ? "Plan " + version.map(Version::name).orElse("")
                        : "A plan begins above the plain stage: go to a stage above it.");
        showWish(version, isStage);
        showPlan(stage);
    }

    private void showWish(Optional<Version> version, boolean isStage) {
        isFilling = true;
        List<Liking> all = seen.map(this::tastes).orElse(List.of());
        Wish wish = version.map(each -> each.label().wish()).orElse(Wish.USUAL);
        taste.show(
                all.stream().map(Liking::name).toList(),
                version.map(each -> all.indexOf(liking(all, each))).orElse(-1));
        for (Wish.Degree degree : Wish.Degree.values()) {
            degrees.get(degree.ordinal()).show(scale(degree), USUAL + wish.of(degree));
        }
        occasion.show(List.of("session", "concert"), wish.isConcert() ? 1 : 0);
        returns.show(RETURNS, wish.returns().ordinal());
        asked().forEach(each -> each.setDisable(!isStage));
        showKinds(wish);
        isFilling = false;
    }

    /** The kinds of the taste that is gone by, each to be had or never. */
    private void showKinds(Wish wish) {
        Optional<Version> version = seen.flatMap(Sight::version);
        kinds.setText(wish.never().isEmpty() ? "all" : wish.never().size() + " never");
        kinds.getItems().clear();
        version.ifPresent(of -> {
            Liking liking = liking(tastes(seen.orElseThrow()), of);
            askedFor.show(seen.orElseThrow(), of, liking);
            Ornament.of(of.playing().instrument().family()).stream()
                    .filter(ornament -> liking.likes().containsKey(ornament.id())
                            || wish.never().contains(ornament.id()))
                    .forEach(ornament -> kinds.getItems().add(kind(ornament, wish)));
        });
    }

    private CheckMenuItem kind(Ornament ornament, Wish wish) {
        CheckMenuItem item = new CheckMenuItem(ornament.name());
        item.setId("kind-" + ornament.id());
        item.setSelected(!wish.never().contains(ornament.id()));
        item.setOnAction(event -> {
            boolean isNever = !item.isSelected();
            wish(
                    each -> each.withNever(ornament.id(), isNever),
                    ornament.name() + (isNever ? " is never planned" : " may be planned"));
        });
        return item;
    }

    // What is proposed

    private void showPlan(int stage) {
        List<Placement> proposed = planned.proposed(stage);
        boolean isOn = planned.isOn();
        taking.setVisible(isOn && !proposed.isEmpty());
        told.setText(told(stage, proposed));
        seen.flatMap(Sight::version).ifPresent(version -> propose.accept(version, isOn ? proposed : List.of()));
        Optional<NoteId> note = seen.flatMap(Sight::note);
        isFilling = true;
        if (!list.getItems().equals(proposed)) {
            list.getItems().setAll(proposed);
        }
        Optional<Placement> here = proposed.stream()
                .filter(each -> note.equals(Optional.of(each.span().first())))
                .findFirst();
        if (here.isPresent()) {
            list.getSelectionModel().select(here.get());
            list.scrollTo(here.get());
        } else {
            list.getSelectionModel().clearSelection();
        }
        isFilling = false;
        list.refresh();
        showWhy(stage, here, note);
    }

    private String told(int stage, List<Placement> proposed) {
        if (planned.isWorking()) {
            return "Planning …";
        }
        if (!planned.isOn()) {
            return "A plan is shown in pale signs. Nothing is placed until you take it.";
        }
        Optional<List<Wish.Pin>> stuck = planned.stuck(stage);
        if (stuck.isPresent()) {
            return GrowthWords.stuck(tune(), stuck.get());
        }
        return proposed.isEmpty()
                ? "Nothing more is proposed for this stage."
                : proposed.size() + " proposed: " + GrowthWords.count(proposed) + ". All stages together: "
                        + planned.near() + ".";
    }

    private String words(Placement placement) {
        Tune tune = seen.flatMap(Sight::tune).orElseThrow();
        NoteId first = placement.span().first();
        return tune.has(first)
                ? Words.place(tune, tune.note(first)) + ": " + Words.name(placement.stack())
                : Words.name(placement.stack());
    }

    private void chose(Placement placement) {
        if (!isFilling) {
            NoteId first = placement.span().first();
            desk.does(here -> Choosing.note(here, first));
        }
    }

    private Optional<Placement> chosen() {
        return Optional.ofNullable(list.getSelectionModel().getSelectedItem());
    }

    // Why

    private void showWhy(int stage, Optional<Placement> here, Optional<NoteId> note) {
        others.getChildren().clear();
        Optional<StagePlan> of = planned.of(stage);
        why.setVisible(of.isPresent());
        if (of.isEmpty() || note.isEmpty()) {
            why.setText("");
            return;
        }
        Tune tune = seen.flatMap(Sight::tune).orElseThrow();
        Task task = of.get().task();
        Plan plan = of.get().plan();
        int at = tune.has(note.get()) ? tune.placeOf(note.get()).order() : -1;
        Optional<Option> chosen = plan.chosen().stream()
                .filter(each -> each.from() <= at && at < each.to())
                .findFirst();
        why.setText(here.map(placement -> GrowthWords.why(of.get().choices(), placement))
                .orElse(chosen.isPresent() ? "What stands here is kept." : "Nothing is planned here."));
        String told = why.getText();
        chosen.filter(option -> here.isPresent())
                .ifPresent(option -> price(of.get(), each -> each.priceWithout(option), points -> {
                    boolean isStillAsked = why.getText().equals(told);
                    why.setText(isStillAsked ? told + " Without it: " + points + "." : why.getText());
                }));
        if (at < 0 || at >= task.options().size()) {
            return;
        }
        task.options().get(at).stream()
                .filter(option -> !option.isPlain() && !plan.chosen().contains(option))
                .sorted(Comparator.comparingInt(option -> plan.priceOf(option).orElse(Integer.MAX_VALUE)))
                .limit(2)
                .forEach(option -> others.getChildren().add(other(of.get(), tune, option)));
    }

    /** Tells a price in words; where it has to be searched for, that is done away from the window's thread. */
    private void price(StagePlan of, Function<StagePlan, Optional<Integer>> asked, Consumer<String> told) {
        if (of.isSearched()) {
            tools.away().work("What the hand has to do", () -> GrowthWords.price(asked.apply(of)), told);
        } else {
            told.accept(GrowthWords.price(asked.apply(of)));
        }
    }

    private HBox other(StagePlan of, Tune tune, Option option) {
        String name = Words.name(of.choices().placement(option).stack());
        Label words = new Label(name);
        price(of, each -> each.priceOf(option), points -> words.setText(name + ": " + points));
        words.setWrapText(true);
        HBox.setHgrow(words, Priority.ALWAYS);
        words.setMaxWidth(Double.MAX_VALUE);
        var ask = Controls.button(
                "Why not",
                "why-not-" + option.name().toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-"),
                "What would be lost, and what would come and go with it",
                () -> {
                    Sight sight = seen.orElseThrow();
                    tools.away().work("Planning with " + name, () -> whyNot(sight, of, tune, option), why::setText);
                });
        HBox row = new HBox(6, words, ask);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private static String whyNot(Sight sight, StagePlan of, Tune tune, Option option) {
        return WhyNot.of(of.task(), of.plan(), option)
                .map(found -> GrowthWords.of(found, tune, of.choices())
                        + sight.version()
                                .flatMap(version -> of.handMore(
                                        tune, version, sight.chosen().profile(), found))
                                .map(GrowthWords::hand)
                                .orElse(""))
                .orElse("What must stand leaves no room for it.");
    }

    // Actions

    void plan() {
        Sight sight = desk.sight().get();
        int stage = sight.chosen().stage();
        boolean isStage =
                sight.stair().filter(stair -> stair.isStage(stage) && stage > 0).isPresent();
        if (!isStage) {
            desk.say("A plan begins above the plain stage: go to a stage above it.");
            return;
        }
        planned.begin(sight);
        show(sight);
    }

    void putAway() {
        planned.end();
        show();
    }

    void takeSpot() {
        chosen().ifPresentOrElse(
                        placement -> take(span -> span.overlaps(placement.span(), tune()), words(placement)),
                        () -> desk.say("Choose one of the pale signs first."));
    }

    void refuse() {
        chosen().ifPresentOrElse(
                        placement -> desk.does(here -> Planning.refuse(here, placement)),
                        () -> desk.say("Choose one of the pale signs first."));
    }

    void takePhrase() {
        Optional<NoteId> note = desk.sight().get().note();
        if (note.isPresent()) {
            Phrase phrase = Phrasing.of(tune()).at(tune().placeOf(note.get()).bar());
            take(
                    span -> {
                        int bar = tune().placeOf(span.first()).bar();
                        return phrase.firstBar() <= bar && bar <= phrase.lastBar();
                    },
                    "the phrase " + phrase.name());
        }
    }

    void takeAll() {
        take(span -> true, "the whole plan");
    }

    void secondWay() {
        planned.secondWay(desk.sight().get().chosen().stage());
    }

    private Tune tune() {
        return desk.sight().get().tune().orElseThrow();
    }

    private void take(Predicate<Span> isTaken, String what) {
        int stage = desk.sight().get().chosen().stage();
        Optional<Stair> taking = planned.taking(stage, isTaken);
        taking.ifPresentOrElse(
                stair -> desk.does(here -> Planning.take(here, stair, what)),
                () -> desk.say("Nothing is planned for this stage; plan from here first."));
    }
}
