package wildflourish.desktop.command;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import wildflourish.core.engraving.Handout;
import wildflourish.core.engraving.Paper;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.instrument.Schools;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Key;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Question;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.files.abc.Fields;

/** What the user named on the command line, looked up; a name that is not known is a fault of use. */
final class Asked {
    private Asked() {}

    static Instrument instrument(String id) {
        return found(id, Instrument::of);
    }

    static Profile profile(String id) {
        return found(id, Profile::of);
    }

    private static School school(String id) {
        return found(id, School::of);
    }

    /** An instrument's first schools, with others that are asked for, joined by +. */
    static Schools schools(Optional<String> ids, Instrument instrument) {
        Schools schools = Schools.usual(instrument);
        for (String id : ids.map(each -> each.split("[+]", -1)).orElse(new String[0])) {
            Schools before = schools;
            schools = found(id, each -> before.with(school(each), instrument));
        }
        return schools;
    }

    /** A version in schools joined by +. */
    static Version schooled(Tune tune, Version version, String schools) {
        return found(
                schools,
                words -> Question.of(tune, version, Profile.usual(), words, 1).version());
    }

    /** The plain stage of a book's stair for an instrument, or of none; in another school where one is asked for. */
    static Version foot(Lesson lesson, Instrument instrument, Optional<String> school) {
        Version version = lesson.stairFor(instrument)
                .map(stair -> stair.at(0))
                .orElseGet(() -> Handout.plain(lesson.tune(), instrument));
        return school.isEmpty()
                ? version
                : version.withPlaying(version.playing().withSchools(schools(school, instrument)));
    }

    /** The stage, or the version beside the stages, of a name in a book's stair for an instrument; without a name its foot. */
    static Version stage(Lesson lesson, Instrument instrument, Optional<String> school, Optional<String> name) {
        if (name.isEmpty()) {
            return foot(lesson, instrument, school);
        }
        List<Version> stages = lesson.stairFor(instrument).map(Stair::versions).orElse(List.of());
        Version found = stages.stream()
                .filter(each -> each.name().equalsIgnoreCase(name.get()))
                .findFirst()
                .orElseThrow(() -> new UsageException("“" + lesson.tune().title() + "” has no version “" + name.get()
                        + "” for the " + instrument.name() + "; there are "
                        + String.join(", ", stages.stream().map(Version::name).toList())));
        return school.isEmpty() ? found : found.withPlaying(found.playing().withSchools(schools(school, instrument)));
    }

    static WrittenPitch pitch(String name) {
        return found(name, WrittenPitch::parse);
    }

    /** A key as people say it: {@code G minor}, {@code Bb}, {@code E flat}, {@code F sharp minor}, {@code Ador}. */
    static Key key(String words) {
        String signs = words.trim()
                .replace('♯', '#')
                .replace('♭', 'b')
                .replaceFirst("(?i)^([A-G])[ -]?flat\\b", "$1b")
                .replaceFirst("(?i)^([A-G])[ -]?sharp\\b", "$1#");
        String tonic = signs.isEmpty() ? "" : signs.substring(0, 1).toUpperCase(Locale.ROOT) + signs.substring(1);
        return Fields.strangeMode(tonic).isPresent()
                ? noKey(words)
                : Fields.key(tonic).orElseGet(() -> noKey(words));
    }

    private static Key noKey(String words) {
        throw new UsageException("there is no key “" + words + "”; say one such as \"G minor\", Bb or \"E flat\"");
    }

    static Fraction tempo(String beats) {
        Fraction tempo = found(beats, Fraction::parse);
        if (!tempo.isPositive()) {
            throw new UsageException("a tempo is more than 0 beats a minute, not " + beats);
        }
        return tempo;
    }

    static <T> T found(String word, Function<String, T> finder) {
        try {
            return finder.apply(word);
        } catch (IllegalArgumentException e) {
            throw new UsageException(String.valueOf(e.getMessage()));
        }
    }

    static Paper paper(String name) {
        return switch (name.toLowerCase(Locale.ROOT)) {
            case "a4" -> Paper.a4();
            case "letter" -> Paper.letter();
            default -> throw new UsageException("there is no paper “" + name + "”; there are a4 and letter");
        };
    }
}
