package wildflourish.core.instrument;

/** Kinds of instrument that are fingered and taught alike; the words of {@code instruments.table}. */
public enum Family {
    WHISTLE("whistle"),
    FLUTE("flute"),
    BAMBOO_FLUTE("bamboo flute"),
    RECORDER("recorder"),
    UNION_PIPES("union pipes"),
    NINE_NOTE_PIPES("nine-note pipes"),
    FIDDLE("fiddle"),
    MANDOLIN("mandolin"),
    TENOR_BANJO("tenor banjo"),
    FIVE_STRING_BANJO("five-string banjo"),
    TWO_ROW_BOX("two-row box"),
    ANGLO("anglo concertina"),
    ENGLISH("English concertina");

    private final String word;

    Family(String word) {
        this.word = word;
    }

    public String word() {
        return word;
    }

    /** Whether the player's own breath makes the sound, so that there are places to breathe. */
    public boolean isBlownByMouth() {
        return hasPlainScale();
    }

    /** Whether it sounds without a gap and has no tongue, so that two notes of one pitch are one long note unless something parts them. */
    public boolean soundsOn() {
        return this == NINE_NOTE_PIPES;
    }

    /** Whether its strings are struck by a pick or by fingers. */
    public boolean isPlucked() {
        return this == MANDOLIN || this == TENOR_BANJO || this == FIVE_STRING_BANJO;
    }

    /** On what its fingers work. */
    public enum Kind {
        HOLES,
        STRINGS,
        BUTTONS
    }

    public Kind kind() {
        return compareTo(FIDDLE) < 0 ? Kind.HOLES : compareTo(TWO_ROW_BOX) < 0 ? Kind.STRINGS : Kind.BUTTONS;
    }

    /** Whether it is fingered on holes: whistles, flutes, pipes. */
    public boolean isWind() {
        return kind() == Kind.HOLES;
    }

    /** Whether its strings are bowed or plucked. */
    public boolean hasStrings() {
        return kind() == Kind.STRINGS;
    }

    /** Whether the bellows sound its reeds. */
    public boolean hasButtons() {
        return kind() == Kind.BUTTONS;
    }

    /** Whether the plain scale is fingered by lifting one finger after the other, so that a skipped hole is something special. */
    public boolean hasPlainScale() {
        return this == WHISTLE || this == FLUTE || this == BAMBOO_FLUTE || this == RECORDER;
    }

    /** Throws IllegalArgumentException for a word that names no family. */
    public static Family parse(String word) {
        for (Family family : values()) {
            if (family.word.equals(word)) {
                return family;
            }
        }
        throw new IllegalArgumentException("no family of instruments “" + word + "”");
    }
}
