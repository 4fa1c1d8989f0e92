package wildflourish.files.musicxml;

import java.math.BigInteger;
import java.util.Optional;
import org.audiveris.proxymusic.Articulations;
import org.audiveris.proxymusic.Fermata;
import org.audiveris.proxymusic.Fret;
import org.audiveris.proxymusic.Notations;
import org.audiveris.proxymusic.ObjectFactory;
import org.audiveris.proxymusic.Ornaments;
import org.audiveris.proxymusic.OtherPlacementText;
import org.audiveris.proxymusic.Slur;
import org.audiveris.proxymusic.StartStop;
import org.audiveris.proxymusic.StartStopContinue;
import org.audiveris.proxymusic.Technical;
import org.audiveris.proxymusic.Tied;
import org.audiveris.proxymusic.TiedType;
import org.audiveris.proxymusic.Tuplet;

/** The signs at one note, gathered. */
final class NoteMarks {
    private static final ObjectFactory MAKE = new ObjectFactory();
    /** MusicXML numbers open slurs up to so many. */
    private static final int MOST_SLURS = 16;

    private final Notations notations = MAKE.createNotations();
    private final Ornaments ornaments = MAKE.createOrnaments();
    private final Articulations articulations = MAKE.createArticulations();
    private final Technical technical = MAKE.createTechnical();

    void tie(boolean stops, boolean starts) {
        if (stops) {
            tied(TiedType.STOP);
        }
        if (starts) {
            tied(TiedType.START);
        }
    }

    private void tied(TiedType type) {
        Tied tied = MAKE.createTied();
        tied.setType(type);
        notations.getTiedOrSlurOrTuplet().add(tied);
    }

    void slur(boolean starts, int number) {
        Slur slur = MAKE.createSlur();
        slur.setType(starts ? StartStopContinue.START : StartStopContinue.STOP);
        slur.setNumber(Math.min(MOST_SLURS, number));
        notations.getTiedOrSlurOrTuplet().add(slur);
    }

    void tuplet(boolean starts) {
        Tuplet tuplet = MAKE.createTuplet();
        tuplet.setType(starts ? StartStop.START : StartStop.STOP);
        notations.getTiedOrSlurOrTuplet().add(tuplet);
    }

    /** A decoration by its name in ABC; names without a sign of their own in MusicXML are named. */
    void decoration(String name) {
        switch (name) {
            case "trill" ->
                ornaments
                        .getTrillMarkOrTurnOrDelayedTurn()
                        .add(MAKE.createOrnamentsTrillMark(MAKE.createEmptyTrillSound()));
            case "roll", "turn" ->
                ornaments.getTrillMarkOrTurnOrDelayedTurn().add(MAKE.createOrnamentsTurn(MAKE.createHorizontalTurn()));
            case "invertedturn" ->
                ornaments
                        .getTrillMarkOrTurnOrDelayedTurn()
                        .add(MAKE.createOrnamentsInvertedTurn(MAKE.createHorizontalTurn()));
            case "lowermordent", "mordent" ->
                ornaments.getTrillMarkOrTurnOrDelayedTurn().add(MAKE.createOrnamentsMordent(MAKE.createMordent()));
            case "uppermordent", "pralltriller" ->
                ornaments
                        .getTrillMarkOrTurnOrDelayedTurn()
                        .add(MAKE.createOrnamentsInvertedMordent(MAKE.createMordent()));
            case "staccato" ->
                articulations
                        .getAccentOrStrongAccentOrStaccato()
                        .add(MAKE.createArticulationsStaccato(MAKE.createEmptyPlacement()));
            case "accent", ">", "emphasis" ->
                articulations
                        .getAccentOrStrongAccentOrStaccato()
                        .add(MAKE.createArticulationsAccent(MAKE.createEmptyPlacement()));
            case "upbow" ->
                technical.getUpBowOrDownBowOrHarmonic().add(MAKE.createTechnicalUpBow(MAKE.createEmptyPlacement()));
            case "downbow" ->
                technical.getUpBowOrDownBowOrHarmonic().add(MAKE.createTechnicalDownBow(MAKE.createEmptyPlacement()));
            case "fermata" -> notations.getTiedOrSlurOrTuplet().add(new Fermata());
            default -> named(name);
        }
    }

    private void named(String words) {
        OtherPlacementText text = MAKE.createOtherPlacementText();
        text.setValue(words);
        technical.getUpBowOrDownBowOrHarmonic().add(MAKE.createTechnicalOtherTechnical(text));
    }

    /** How the hand plays it: string and fret where there are any, else in the instrument's own words. */
    void technical(Handed.Way way) {
        way.string().ifPresent(number -> {
            org.audiveris.proxymusic.String string = MAKE.createString();
            string.setValue(BigInteger.valueOf(number));
            technical.getUpBowOrDownBowOrHarmonic().add(MAKE.createTechnicalString(string));
        });
        way.fret().ifPresent(number -> {
            Fret fret = MAKE.createFret();
            fret.setValue(BigInteger.valueOf(number));
            technical.getUpBowOrDownBowOrHarmonic().add(MAKE.createTechnicalFret(fret));
        });
        way.words().ifPresent(this::named);
    }

    /** Everything gathered; empty where there is nothing. */
    Optional<Notations> notations() {
        if (!ornaments.getTrillMarkOrTurnOrDelayedTurn().isEmpty()) {
            notations.getTiedOrSlurOrTuplet().add(ornaments);
        }
        if (!technical.getUpBowOrDownBowOrHarmonic().isEmpty()) {
            notations.getTiedOrSlurOrTuplet().add(technical);
        }
        if (!articulations.getAccentOrStrongAccentOrStaccato().isEmpty()) {
            notations.getTiedOrSlurOrTuplet().add(articulations);
        }
        return notations.getTiedOrSlurOrTuplet().isEmpty() ? Optional.empty() : Optional.of(notations);
    }
}
