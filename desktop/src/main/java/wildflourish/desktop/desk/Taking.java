package wildflourish.desktop.desk;

import java.util.Optional;
import wildflourish.core.recognition.Recognition;
import wildflourish.core.version.Change;
import wildflourish.core.version.Deed;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Stair;
import wildflourish.files.abc.OrnamentText;

/** Ornaments that a tune's text writes itself, taken out of it and placed. */
public final class Taking {
    private Taking() {}

    /** All that fit go to the stage worked on and those above, but where something stands already; what does not fit stays in the text. */
    public static Outcome written(Here here, Recognition recognition) {
        Sight sight = here.sight();
        Optional<Lesson> lesson = sight.lesson();
        Optional<Stair> stair = sight.stair();
        if (lesson.isEmpty() || stair.isEmpty()) {
            return Outcome.nothing();
        }
        Recognition free = new Recognition(recognition.all().stream()
                .filter(found -> sight.version()
                        .flatMap(version -> version.covering(lesson.get().tune(), found.note()))
                        .isEmpty())
                .toList());
        int taken = free.placeable().size();
        if (taken == 0) {
            return Outcome.said("None of the ornaments in the text fits where it stands; they stay in the text.");
        }
        int left = recognition.all().size() - taken;
        return OrnamentText.taken(lesson.get(), stair.get(), sight.chosen().stage(), free)
                .map(after -> Outcome.of(
                        Change.of(
                                sight.book(),
                                sight.lessonIndex(),
                                after,
                                new Deed(
                                        Deed.Kind.TAKE_WRITTEN,
                                        lesson.get().tune().title(),
                                        here.stageName())),
                        taken + (taken == 1 ? " ornament" : " ornaments") + " of the text placed in " + here.stageName()
                                + (left == 0 ? "" : "; " + left + (left == 1 ? " stays" : " stay") + " in the text")))
                .orElseGet(() -> Outcome.said("The text cannot be parted from its ornaments; place them by hand."));
    }
}
