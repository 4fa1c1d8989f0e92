package wildflourish.desktop.window;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;
import wildflourish.core.engraving.Paper;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.desk.Desk;
import wildflourish.files.abc.Progress;
import wildflourish.files.export.StudentSheet;
import wildflourish.files.store.BookStore;
import wildflourish.files.store.Student;

/** The teacher's students, and their sheets of the tune in sight, all in one go. */
final class StudentsPane extends VBox {
    private final Desk desk;
    private final FilePicker picker;
    private final LongWork work;
    private final Path file;
    private final VBox rows = new VBox(10);
    private final TextField name = new TextField();
    private final CheckBox sound = new CheckBox("with the sound, slow");
    private final Label told = new Label();
    private Student.Register register = new Student.Register(List.of(), List.of(), List.of());

    StudentsPane(Desk desk, Surroundings around, LongWork work, Runnable leave) {
        super(10);
        this.desk = desk;
        this.picker = around.picker();
        this.work = work;
        this.file = around.own().resolve("students.tsv");
        setId("class-list");
        getStyleClass().addAll("side", "wide");
        Label heading = new Label("Your students");
        heading.getStyleClass().add("heading");
        Label about = new Label("Kept in your own folder, never in a book.");
        about.getStyleClass().add("quiet");
        name.setId("student-new");
        name.setPromptText("a name");
        name.setAccessibleText("Name of another student");
        name.setOnAction(event -> add());
        HBox.setHgrow(name, Priority.ALWAYS);
        HBox more = new HBox(
                6,
                name,
                Controls.button("Add", "student-add", "On the instrument and at the stage in sight", this::add));
        sound.setId("students-sound");
        Button sheets = Controls.button(
                "Make all their sheets",
                "students-sheets",
                "Each gets the tune in sight as a PDF, plain and at their stage, in a folder of your choice",
                this::sheets);
        Button close = Controls.button("Close", "students-close", "Back to the room (Escape)", leave);
        told.setWrapText(true);
        told.setMinHeight(Region.USE_PREF_SIZE);
        ScrollPane scroll = new ScrollPane(rows);
        scroll.setFitToWidth(true);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        HBox ways = new HBox(8, sheets, sound);
        ways.setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(heading, about, more, scroll, ways, told, close);
    }

    /** Has the focus when it opens. */
    Node first() {
        return name;
    }

    /** Reads the list anew. */
    void open() {
        try {
            register = Student.read(file);
            told.setText(String.join("\n", register.faults()));
        } catch (IOException e) {
            told.setText("Cannot read " + file + ": " + e.getMessage());
        }
        fill();
    }

    private void fill() {
        rows.getChildren().clear();
        for (int i = 0; i < register.students().size(); i++) {
            rows.getChildren().add(row(i, register.students().get(i)));
        }
        if (register.students().isEmpty()) {
            rows.getChildren().add(new Label("No students yet."));
        }
    }

    private VBox row(int index, Student student) {
        Label who = new Label(student.name());
        who.getStyleClass().add("stage-name");
        HBox.setHgrow(who, Priority.ALWAYS);
        who.setMaxWidth(Double.MAX_VALUE);
        Button out = Controls.button(
                "Take out", "student-out-" + index, "Takes " + student.name() + " off the list", () -> remove(index));
        HBox first = new HBox(6, who, out);
        first.setAlignment(Pos.CENTER_LEFT);
        ComboBox<String> instrument = pick(
                "student-instrument-" + index,
                "Instrument of " + student.name(),
                Instrument.all().stream().map(Instrument::id).toList(),
                student.instrument(),
                id -> Instrument.of(id).name(),
                id -> change(index, new Student(student.name(), id, student.profile(), student.stage())));
        instrument.setPrefWidth(170);
        ComboBox<String> level = pick(
                "student-level-" + index,
                "Level of " + student.name(),
                Profile.all().stream().map(Profile::id).toList(),
                student.profile(),
                id -> Profile.of(id).name(),
                id -> change(index, new Student(student.name(), student.instrument(), id, student.stage())));
        level.setPrefWidth(100);
        TextField stage = new TextField(student.stage());
        stage.setId("student-stage-" + index);
        stage.setAccessibleText("Stage of " + student.name());
        stage.setPromptText("stage");
        stage.setPrefColumnCount(8);
        Consumer<String> staged = words -> {
            if (!words.strip().equals(student.stage())) {
                change(index, new Student(student.name(), student.instrument(), student.profile(), words));
            }
        };
        stage.setOnAction(event -> staged.accept(stage.getText()));
        stage.focusedProperty().addListener((at, before, isFocused) -> {
            if (!isFocused) {
                staged.accept(stage.getText());
            }
        });
        return new VBox(4, first, new HBox(6, instrument, level, stage));
    }

    private static ComboBox<String> pick(
            String id,
            String words,
            List<String> ids,
            String chosen,
            UnaryOperator<String> shown,
            Consumer<String> taken) {
        ComboBox<String> pick = new ComboBox<>();
        pick.setId(id);
        pick.setAccessibleText(words);
        pick.getItems().setAll(ids);
        pick.setConverter(new StringConverter<>() {
            @Override
            public String toString(String each) {
                return each == null ? "" : shown.apply(each);
            }

            @Override
            public String fromString(String typed) {
                return typed;
            }
        });
        pick.setValue(chosen);
        pick.setOnAction(event -> taken.accept(pick.getValue()));
        return pick;
    }

    private void add() {
        String wanted = name.getText().strip();
        if (wanted.isEmpty()) {
            told.setText("Type a name first.");
            return;
        }
        if (register.students().stream().anyMatch(student -> student.name().equalsIgnoreCase(wanted))) {
            told.setText(wanted + " is on the list already.");
            return;
        }
        var sight = desk.sight().get();
        List<Student> all = new ArrayList<>(register.students());
        all.add(new Student(
                wanted,
                sight.instrument().id(),
                sight.chosen().profile().id(),
                sight.version().map(Version::name).orElse(Stair.USUAL_NAMES.get(0))));
        name.clear();
        keep(all);
    }

    private void remove(int index) {
        List<Student> all = new ArrayList<>(register.students());
        all.remove(index);
        keep(all);
    }

    private void change(int index, Student student) {
        List<Student> all = new ArrayList<>(register.students());
        all.set(index, student);
        keep(all);
    }

    private void keep(List<Student> all) {
        register = register.with(all);
        try {
            Student.write(file, register);
            told.setText("");
        } catch (IOException e) {
            told.setText("Cannot keep the list in " + file + ": " + e.getMessage());
        }
        fill();
    }

    // Sheets

    private void sheets() {
        var lesson = desk.sight().get().lesson();
        if (lesson.isEmpty() || register.students().isEmpty()) {
            told.setText(
                    lesson.isEmpty() ? "There is no tune in sight: open a book first." : "No students yet: add one.");
            return;
        }
        List<Student> students = register.students();
        boolean hasSound = sound.isSelected();
        picker.toFolder()
                .ifPresent(folder -> work.start(
                        "Making sheets of " + lesson.get().tune().title(),
                        progress -> made(lesson.get(), students, hasSound, folder, progress),
                        plain -> told.setText(
                                "Made " + students.size() + (students.size() == 1 ? " sheet" : " sheets") + " in "
                                        + folder + "."
                                        + (plain.isEmpty()
                                                ? ""
                                                : " The plain tune, for want of their stage, got: "
                                                        + String.join(", ", plain) + ".")),
                        e -> told.setText("Cannot make the sheets: " + e.getMessage())));
    }

    /** Writes each student's files, none over another; gives the names of those whose stage is not there. */
    private static List<String> made(
            Lesson lesson, List<Student> students, boolean hasSound, Path folder, Progress progress)
            throws IOException {
        List<String> plain = new ArrayList<>();
        int parts = students.size() * (hasSound ? 2 : 1);
        int done = 0;
        for (Student student : students) {
            StudentSheet sheet = new StudentSheet(lesson, student, Paper.a4());
            String words = BookFiles.plainName(lesson.tune().title() + " - " + student.name());
            BookStore.writeAside(free(folder, words, "pdf"), sheet.pdf());
            progress.reached((double) ++done / parts);
            if (hasSound) {
                BookStore.writeAside(free(folder, words + " slow", "wav"), sheet.slowSound());
                progress.reached((double) ++done / parts);
            }
            if (sheet.isOfPlainTune()) {
                plain.add(student.name());
            }
        }
        return plain;
    }

    private static Path free(Path folder, String name, String ending) {
        Path path = folder.resolve(name + "." + ending);
        for (int i = 2; Files.exists(path); i++) {
            path = folder.resolve(name + " " + i + "." + ending);
        }
        return path;
    }
}
