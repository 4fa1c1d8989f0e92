package wildflourish.core.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.Melody;
import wildflourish.core.RandomVersions;
import wildflourish.core.Rounds;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Reason;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.performance.Moment;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Playing;

class WordsTest {
    @ParameterizedTest
    @CsvSource({"1/4, a crotchet", "3/8, a dotted crotchet", "1/12, a triplet quaver", "1/2, a minim", "5/8, 5 quavers"
    })
    void lengthsHaveNames(String length, String words) {
        assertThat(Words.noteLength(Fraction.parse(length))).isEqualTo(words);
    }

    /** What is shown must still be clean: 60000 / (97 · 4) = 154.639… is shown as 154.6, never as 154.7. */
    @Test
    void temposAreRoundedDown() {
        Tempo clean = Tempo.atWhich(Fraction.of(1, 8), Fraction.of(97), Fraction.of(1, 2));
        assertThat(Words.tempo(clean)).isEqualTo("154.6 minims a minute");
        assertThat(Words.beats(Tempo.of(105, Fraction.of(1, 2)))).isEqualTo("105");
        Tempo almost = new Tempo(Fraction.of(15_499, 100), Fraction.of(1, 2));
        assertThat(Words.beats(almost)).isEqualTo("154.9");
    }

    @Test
    void aPlaceIsToldAsPlayersCount() {
        Tune reel = Melody.reel("D4:1 E4:1 | D4:3 E4:1 F♯4:4 | r:8 |");
        assertThat(reel.notes().stream().map(note -> Words.place(reel, note)))
                .containsExactly(
                        "D4, pickup to bar 1, on beat 4",
                        "E4, pickup to bar 1, after beat 4",
                        "D4, bar 1, on beat 1",
                        "E4, bar 1, after beat 2",
                        "F♯4, bar 1, on beat 3",
                        "rest, bar 2, on beat 1");
        Tune jig = Melody.jig("D4:2 E4:1 F♯4:3 |");
        assertThat(Words.place(jig, jig.notes().get(2))).isEqualTo("F♯4, bar 1, on beat 2");
    }

    @Test
    void gesturesAreToldByFingerAndHole() {
        assertThat(Words.gesture(Moment.Role.CUT, Optional.of("3"))).isEqualTo("flick finger 3 up");
        assertThat(Words.gesture(Moment.Role.TAP, Optional.of("5"))).isEqualTo("touch hole 5");
        assertThat(Words.clock(65_900)).isEqualTo("1:05");
        assertThat(Cautions.brief(Optional.of(Family.UNION_PIPES)))
                .contains("pain")
                .contains("doctor")
                .contains("Warm up")
                .doesNotContain("Mouthpieces");
        assertThat(Cautions.brief(Optional.empty())).contains("Mouthpieces");
        for (Family family : Family.values()) {
            assertThat(String.join(" ", Cautions.full(family)))
                    .as(family.word())
                    .contains("warm up", "doctor", "Ears", "local rules");
        }
        assertThat(Cautions.full(Family.NINE_NOTE_PIPES)).anyMatch(line -> line.contains("hearing protection"));
        assertThat(Cautions.full(Family.UNION_PIPES)).noneMatch(line -> line.contains("Mouthpieces"));
    }

    /** Every reason and refusal that comes up is one sentence that ends in a full stop; nearly all of them do come up. */
    @Test
    void everyVerdictIsOneSentence() {
        Set<Reason> reasons = EnumSet.noneOf(Reason.class);
        Set<Refusal> refusals = EnumSet.noneOf(Refusal.class);
        List<String> instruments = List.of(
                "whistle-d",
                "flute-d",
                "bamboo-g",
                "recorder-soprano",
                "union-d-closed",
                "union-d-open",
                "mouth-blown-pipes",
                "small-pipes",
                "fiddle",
                "mandolin",
                "tenor-banjo-long",
                "banjo-open-g",
                "box-bc",
                "anglo-a",
                "english-48");
        for (int seed = 0; seed < Rounds.of(48, 60); seed++) {
            Tune tune = seed % 8 == 0 ? Melody.jig("B4:1 A4:1 B4:1 G4:3 |") : new RandomVersions(seed).tune();
            Playing calm = Playing.usual(tune, Instrument.of(instruments.get(seed % instruments.size())));
            Playing usual = seed % 2 == 0 ? calm : calm.withTempo(calm.tempo().times(Fraction.of(3, 2)));
            for (Profile profile : Profile.all()) {
                for (Note note : tune.notes()) {
                    WhatFits fits = WhatFits.at(tune, note.id(), usual, profile);
                    fits.fitting().forEach(fit -> check(fit, reasons, refusals));
                    fits.refused().forEach(fit -> check(fit, reasons, refusals));
                }
            }
        }
        // Asked only where other ornaments stand, where a part is over, or on notes that these tunes do not have.
        assertThat(EnumSet.complementOf(EnumSet.copyOf(reasons)))
                .isSubsetOf(
                        Reason.SETS_OFF,
                        Reason.TIRES_THE_EAR,
                        Reason.CROWDED,
                        Reason.RESTS_THE_EAR,
                        Reason.SECOND_TIME,
                        Reason.BREATH_DUE,
                        Reason.STOPS_THE_RUN,
                        Reason.FILLS_A_GAP,
                        Reason.BELONGS_TO_THE_CHORD,
                        Reason.CLASHES_WITH_THE_CHORD,
                        Reason.NEIGHBOUR_IS_DRESSED,
                        Reason.LOW_THIRD_GROWLS,
                        Reason.LOST_IN_DANCE,
                        Reason.LIKE_ITS_NEIGHBOUR,
                        Reason.AGAINST_THE_STYLE,
                        Reason.SAVE_FOR_REPEAT,
                        Reason.SAME_AGAIN,
                        Reason.CHORD_NOTE,
                        Reason.SCALE_LINE,
                        Reason.KEEPS_THE_DANCE_GOING,
                        Reason.STACK_NEAR,
                        Reason.THIRD_BAR_ALIKE,
                        Reason.COMES_BACK,
                        Reason.HOME_NOTE,
                        Reason.LITTLE_AIR_LEFT,
                        Reason.ANNOUNCES_THE_PART);
        assertThat(refusals).hasSizeGreaterThan(55);
    }

    private static void check(Fit fit, Set<Reason> reasons, Set<Refusal> refusals) {
        String why = Words.why(fit);
        assertThat(why).endsWith(".").doesNotContain("..").doesNotContain("null");
        assertThat(Character.isUpperCase(why.charAt(0))).as(why).isTrue();
        for (Refusal refusal : fit.refusals()) {
            refusals.add(refusal);
            assertThat(Words.of(refusal, fit.facts())).isNotBlank();
        }
        for (Reason reason : fit.reasons()) {
            assertThat(Words.of(reason, fit.facts())).isNotBlank();
            if (reason != Reason.SETS_OFF) {
                reasons.add(reason);
            }
        }
    }
}
