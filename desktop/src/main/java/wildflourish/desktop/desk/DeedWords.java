package wildflourish.desktop.desk;

import wildflourish.core.version.Deed;

/** A change in a few words, for the list of what was done. */
public final class DeedWords {
    private DeedWords() {}

    public static String of(Deed deed) {
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
            case ADD_STAGE -> "added a stage";
            case RENAME -> "called " + deed.stage() + " " + deed.subject();
            case TELL -> "wrote to students about " + deed.stage();
            case TEMPO -> "set " + deed.stage() + " to " + deed.subject();
            case LAYER -> "turned " + deed.subject() + " in " + deed.stage();
            case SCHOOL -> "chose a school for " + deed.stage();
            case EDIT -> "wrote in " + deed.subject();
            case PHRASE -> "marked phrases in " + deed.subject();
            case NEW_TUNE -> "began a new tune";
            case SHAPE -> "gave the stair another shape from " + deed.stage();
            case BEGIN_STAIR -> "began a stair";
            case CARRY -> "carried a stair over to the " + deed.subject();
            case TAKE_WRITTEN -> "took the ornaments in the text of " + deed.subject();
            case VOICE -> "chose the voice " + deed.subject();
            case BESIDE -> "put the version " + deed.subject() + " beside the stair";
            case AIM -> "aimed at " + deed.subject() + " ornaments in " + deed.stage();
            case TAKE_PHRASE -> "took the phrase of " + deed.subject() + " into " + deed.stage();
            case PLAN -> "planned the times through";
            case GROW -> "took " + deed.subject() + " from " + deed.stage() + " up";
            case WISH -> "wished otherwise of " + deed.stage();
            case RECOVER -> "brought unsaved changes back";
            case TAKE_SAVED -> "kept " + deed.stage() + " as it was saved";
            case KEEP_AS_TUNE -> "kept the changed notes of " + deed.stage() + " as a tune";
        };
    }
}
