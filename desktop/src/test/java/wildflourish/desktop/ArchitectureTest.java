package wildflourish.desktop;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The walls between the rooms. */
class ArchitectureTest {
    /** The packages of the core, each of which may use only those before it. */
    private static final List<String> CORE = List.of(
            "problem",
            "music",
            "table",
            "path",
            "tune",
            "form",
            "instrument",
            "fingering",
            "plain",
            "ornament",
            "version",
            "line",
            "hand",
            "placing",
            "recognition",
            "carrying",
            "arranging",
            "growing",
            "performance",
            "words",
            "sound",
            "engraving",
            "chart");

    private static final JavaClasses ALL = new ClassFileImporter()
            .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
            .importPackages("wildflourish");

    @Test
    void theCoreUsesNothingButTheJdk() {
        classes()
                .that()
                .resideInAPackage("wildflourish.core..")
                .should()
                .onlyDependOnClassesThat()
                .resideInAnyPackage(
                        "wildflourish.core..",
                        "java.lang..",
                        "java.util..",
                        "java.math..",
                        "java.io..",
                        "java.nio.charset..")
                .check(ALL);
    }

    @Test
    void theCoreHasNoFilesNoNetworkNoClockAndNoScreen() {
        noClasses()
                .that()
                .resideInAPackage("wildflourish.core..")
                .should()
                .dependOnClassesThat()
                .haveNameMatching(
                        "java\\.io\\.(File|RandomAccess).*|java\\.nio\\.file.*|java\\.net.*|java\\.time.*|java\\.awt.*")
                .check(ALL);
        noClasses()
                .that()
                .resideInAPackage("wildflourish.core..")
                .should()
                .callMethod(System.class, "currentTimeMillis")
                .orShould()
                .callMethod(System.class, "nanoTime")
                .orShould()
                .dependOnClassesThat()
                .haveFullyQualifiedName("Random")
                .check(ALL);
    }

    @Test
    void eachPackageOfTheCoreUsesOnlyThoseBeforeIt() {
        assertThat(ALL.stream()
                        .map(each -> each.getPackageName())
                        .filter(name -> name.startsWith("wildflourish.core."))
                        .map(name -> name.substring("wildflourish.core.".length()))
                        .distinct())
                .containsExactlyInAnyOrderElementsOf(CORE);
        for (int i = 0; i + 1 < CORE.size(); i++) {
            String[] later = CORE.subList(i + 1, CORE.size()).stream()
                    .map(name -> "wildflourish.core." + name + "..")
                    .toArray(String[]::new);
            noClasses()
                    .that()
                    .resideInAPackage("wildflourish.core." + CORE.get(i) + "..")
                    .should()
                    .dependOnClassesThat()
                    .resideInAnyPackage(later)
                    .check(ALL);
        }
    }

    @Test
    void filesKnowNothingOfTheWindow() {
        noClasses()
                .that()
                .resideInAPackage("wildflourish.files..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("wildflourish.desktop..", "javafx..")
                .check(ALL);
    }

    @ParameterizedTest
    @ValueSource(strings = {"wildflourish.(core).(*)..", "wildflourish.(files).(*)..", "wildflourish.(desktop).(*).."})
    void packagesFormNoCircles(String pattern) {
        slices().matching(pattern).should().beFreeOfCycles().check(ALL);
    }

    /** Nothing but the performance works an ornament out: gestures become moments there alone. */
    @Test
    void onlyThePerformanceMakesMoments() {
        noClasses()
                .that()
                .resideOutsideOfPackage("wildflourish.core.performance..")
                .should()
                .callConstructorWhere(com.tngtech.archunit.core.domain.JavaCall.Predicates.target(
                        com.tngtech.archunit.core.domain.properties.HasOwner.Predicates.With.owner(
                                com.tngtech.archunit.base.DescribedPredicate.describe(
                                        "a moment or a lane",
                                        owner -> owner.getName().equals("wildflourish.core.performance.Moment")
                                                || owner.getName().equals("wildflourish.core.performance.Lane")))))
                .check(ALL);
    }

    @Test
    void soundHasNoInterfaceCode() {
        noClasses()
                .that()
                .resideInAPackage("wildflourish.desktop.play..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("javafx..")
                .check(ALL);
    }

    private static final List<String> ROOMS = List.of("bench", "lookover", "chart", "fit");

    @Test
    void roomsKnowNoOtherRoomAndNoWindow() {
        for (String room : ROOMS) {
            String[] others = ROOMS.stream()
                    .filter(each -> !each.equals(room))
                    .map(each -> "wildflourish.desktop." + each + "..")
                    .toArray(String[]::new);
            noClasses()
                    .that()
                    .resideInAPackage("wildflourish.desktop." + room + "..")
                    .should()
                    .dependOnClassesThat()
                    .resideInAnyPackage(others)
                    .orShould()
                    .dependOnClassesThat()
                    .resideInAnyPackage("wildflourish.desktop.window..", "wildflourish.desktop.command..")
                    .check(ALL);
        }
    }

    @Test
    void viewsKnowNoDesk() {
        noClasses()
                .that()
                .resideInAnyPackage("wildflourish.desktop.view..", "wildflourish.desktop.look..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("wildflourish.desktop.desk..", "wildflourish.desktop.room..")
                .check(ALL);
    }

    /** Parts of the toolkit that are not for use change from one version to the next. */
    @Test
    void nothingUsesTheInternalsOfTheToolkit() {
        noClasses()
                .that()
                .resideInAPackage("wildflourish..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("com.sun..", "impl.org.controlsfx..")
                .check(ALL);
    }

    @Test
    void everyPackageSaysWhatItIsFor() throws Exception {
        for (String name :
                ALL.stream().map(each -> each.getPackageName()).distinct().toList()) {
            assertThat(ALL.contain(name + ".package-info") || hasPackageComment(name))
                    .as(name)
                    .isTrue();
        }
    }

    private static boolean hasPackageComment(String name) {
        String path = "src/main/java/" + name.replace('.', '/') + "/package-info.java";
        return List.of("../core/", "../files/", "").stream()
                .anyMatch(module -> new java.io.File(module + path).isFile());
    }
}
