package wildflourish.desktop.bench;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import javafx.animation.PauseTransition;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyEvent;
import javafx.util.Duration;
import wildflourish.core.hand.HandCost;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.version.Placement;
import wildflourish.core.words.Words;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Here;
import wildflourish.desktop.desk.Options;
import wildflourish.desktop.desk.Placing;
import wildflourish.desktop.look.Theme;

/**
 * What fits at the chosen note, best first: the five best stand open, the rest under their kinds, what does not fit at the foot. Walking along the list tries each in
 * place; letters find one, number keys take the nth, Space plays it, plus adds it to what stands here.
 */
final class FitsList extends ListView<FitEntry> {
    private static final int OPEN_CARDS = 5;
    private static final Duration TYPING = Duration.millis(900);

    private final Desk desk;
    private final Consumer<Optional<Placement>> tried;
    private final Consumer<Placement> played;
    private final Set<Optional<Ornament.Kind>> opened = new HashSet<>();
    private final HandCosts costs = new HandCosts();
    private final PauseTransition typing = new PauseTransition(TYPING);
    private Map<Placement, HandCost.Told> told = Map.of();
    private Here here;
    private String typed = "";
    private Theme theme = Theme.LIGHT;

    /** {@code tried} is told what is walked to, {@code played} what is to be heard. */
    FitsList(Desk desk, Consumer<Optional<Placement>> tried, Consumer<Placement> played) {
        this.desk = desk;
        this.here = desk.here();
        this.tried = tried;
        this.played = played;
        setId("fits-list");
        getStyleClass().add("fits-list");
        setAccessibleText("What fits here, best first");
        setCellFactory(view -> new FitCell(this));
        typing.setOnFinished(event -> typed = "");
        getSelectionModel().selectedItemProperty().addListener((at, before, after) -> trySelected());
        focusedProperty().addListener((at, before, isFocused) -> {
            if (isFocused && getSelectionModel().isEmpty()) {
                getSelectionModel().selectFirst();
            }
            trySelected();
        });
        addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
        addEventFilter(KeyEvent.KEY_TYPED, this::typed);
    }

    Desk desk() {
        return desk;
    }

    Theme theme() {
        return theme;
    }

    void setTheme(Theme newTheme) {
        theme = newTheme;
        refresh();
    }

    void show(Here now) {
        here = now;
        told = Map.of();
        fill();
        List<Placement> placements = getItems().stream()
                .flatMap(each -> each.fit().stream())
                .map(Fit::placement)
                .toList();
        now.scene()
                .ifPresent(scene -> costs.ask(scene, placements, known -> {
                    told = known;
                    fill();
                }));
    }

    private List<Fit> fitting() {
        return here.fitting();
    }

    private FitEntry.Card card(int index) {
        Fit fit = fitting().get(index);
        return FitEntry.Card.of(here, fit, index + 1, Optional.ofNullable(told.get(fit.placement())));
    }

    private void fill() {
        List<FitEntry> entries = new ArrayList<>();
        List<Fit> fitting = fitting();
        List<Fit> refused = here.whatFits().map(WhatFits::refused).orElse(List.of());
        for (int i = 0; i < Math.min(OPEN_CARDS, fitting.size()); i++) {
            entries.add(card(i));
        }
        if (fitting.isEmpty()) {
            refused.stream().findFirst().ifPresent(first -> entries.add(new FitEntry.Nothing(Words.why(first))));
        }
        for (Ornament.Kind kind : Ornament.Kind.values()) {
            List<Integer> its = IntStream.range(OPEN_CARDS, Math.max(OPEN_CARDS, fitting.size()))
                    .filter(i -> fitting.get(i).facts().ornament().kind() == kind)
                    .boxed()
                    .toList();
            addFold(
                    entries,
                    Optional.of(kind),
                    its.size(),
                    () -> its.stream().map(this::card).toList());
        }
        addFold(
                entries,
                Optional.empty(),
                refused.size(),
                () -> refused.stream().map(FitEntry.Refused::new).toList());
        if (!getItems().equals(entries)) {
            int selected = getSelectionModel().getSelectedIndex();
            getItems().setAll(entries);
            if (isFocused() && selected >= 0) {
                getSelectionModel().select(Math.min(selected, entries.size() - 1));
            } else {
                getSelectionModel().clearSelection();
            }
        }
    }

    private void addFold(
            List<FitEntry> entries, Optional<Ornament.Kind> kind, int count, Supplier<List<? extends FitEntry>> its) {
        if (count > 0) {
            entries.add(new FitEntry.Fold(kind, count, opened.contains(kind)));
            if (opened.contains(kind)) {
                entries.addAll(its.get());
            }
        }
    }

    /** Opens a kind, or closes it; it stays so from note to note. */
    void turn(FitEntry.Fold fold) {
        if (!opened.remove(fold.kind())) {
            opened.add(fold.kind());
        }
        int at = getItems().indexOf(fold);
        fill();
        getSelectionModel().select(at);
    }

    // Verbs

    void place(Placement placement) {
        desk.does(here -> Placing.placeInRange(here, placement));
    }

    void keep(Placement placement) {
        desk.does(here -> Options.keep(here, placement));
    }

    void add(Fit fit) {
        desk.does(here -> here.onTop(fit).map(both -> Placing.place(here, both)).orElseGet(() -> Placing.onTop(here)));
    }

    private Optional<Fit> selected() {
        return Optional.ofNullable(getSelectionModel().getSelectedItem()).flatMap(FitEntry::fit);
    }

    private void trySelected() {
        tried.accept(isFocused() ? selected().map(Fit::placement) : Optional.empty());
    }

    private void pressed(KeyEvent event) {
        switch (event.getCode()) {
            case ENTER -> {
                if (getSelectionModel().getSelectedItem() instanceof FitEntry.Fold fold) {
                    turn(fold);
                } else if (event.isShiftDown()) {
                    selected().map(Fit::placement).ifPresent(this::keep);
                } else {
                    selected().map(Fit::placement).ifPresent(this::place);
                }
                event.consume();
            }
            case SPACE -> {
                selected().map(Fit::placement).ifPresent(played);
                event.consume();
            }
            case LEFT, RIGHT -> {
                if (getSelectionModel().getSelectedItem() instanceof FitEntry.Fold fold) {
                    turn(fold);
                }
                event.consume();
            }
            default -> {}
        }
    }

    /** A digit takes the nth, plus adds what is walked to, letters find one. */
    private void typed(KeyEvent event) {
        String key = event.getCharacter();
        if (event.isShortcutDown() || event.isAltDown() || key.isBlank()) {
            return;
        }
        char letter = key.charAt(0);
        if (letter >= '1' && letter <= '9') {
            List<Fit> fitting = fitting();
            int index = letter - '1';
            if (index < fitting.size()) {
                place(fitting.get(index).placement());
            }
        } else if (letter == '+') {
            selected().ifPresent(this::add);
        } else if (Character.isLetter(letter)) {
            typed += key.toLowerCase(Locale.ROOT);
            typing.playFromStart();
            find(typed);
        }
        event.consume();
    }

    /** Goes to what begins so, or has a word that does; its kind is opened for it. */
    private void find(String words) {
        List<Fit> fitting = fitting();
        fitting.stream()
                .filter(fit -> begins(fit, words))
                .findFirst()
                .or(() -> fitting.stream()
                        .filter(fit -> fit.facts()
                                .ornament()
                                .name()
                                .toLowerCase(Locale.ROOT)
                                .contains(words))
                        .findFirst())
                .ifPresent(fit -> {
                    if (fitting.indexOf(fit) >= OPEN_CARDS
                            && opened.add(Optional.of(fit.facts().ornament().kind()))) {
                        fill();
                    }
                    IntStream.range(0, getItems().size())
                            .filter(i -> getItems().get(i).fit().equals(Optional.of(fit)))
                            .findFirst()
                            .ifPresent(i -> {
                                getSelectionModel().select(i);
                                scrollTo(i);
                            });
                });
    }

    private static boolean begins(Fit fit, String words) {
        return fit.facts().ornament().name().toLowerCase(Locale.ROOT).startsWith(words);
    }
}
