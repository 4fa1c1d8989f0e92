package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import wildflourish.core.fingering.ButtonWay;
import wildflourish.core.instrument.Button;
import wildflourish.core.instrument.ButtonLayout;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Key;
import wildflourish.core.ornament.Choice;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.ornament.Stack;
import wildflourish.core.tune.Note;
import wildflourish.core.version.Layer;

/**
 * A button that is held by one finger while the tune goes on over it. The notes of its hand take that hand's other fingers; where the bellows matter all of them lie the way that it sounds.
 *
 * @param way the button, the direction of the bellows and the finger
 * @param refusal what keeps it from being held under the whole passage; empty where nothing does
 */
public record HeldNote(ButtonWay way, Optional<Refusal> refusal) {
    private static final int FIFTH = 7;
    private static final int OCTAVE = 12;

    /** What a layer holds, by the finger that does best; empty where there is no such button, nor one that would do. */
    public static Optional<HeldNote> of(Scene scene, Layer layer) {
        Passage passage = new Passage(scene, layer);
        List<ButtonLayout.Key> keys = layer.own().isPresent()
                ? key(scene.playing().instrument(), layer.own().get()).stream().toList()
                : passage.usual();
        return keys.stream()
                .flatMap(key -> key.button().fingers().stream().map(finger -> new ButtonWay(key, finger)))
                .map(passage::held)
                .min(Comparator.comparing((HeldNote each) -> each.refusal.isPresent()));
    }

    /** The ornament that one note of the passage bears. */
    Stack stack() {
        return new Stack(List.of(new Choice(Ornament.of("held-button"), way.toString())));
    }

    private static Optional<ButtonLayout.Key> key(Instrument instrument, String name) {
        return keys(instrument).stream().filter(key -> key.name().equals(name)).findFirst();
    }

    private static List<ButtonLayout.Key> keys(Instrument instrument) {
        List<ButtonLayout.Key> all = new ArrayList<>();
        for (Button button : instrument.buttons().orElseThrow().buttons()) {
            for (Button.Bellows bellows : Button.Bellows.values()) {
                if (bellows == Button.Bellows.PRESS || !button.isSameBothWays()) {
                    all.add(new ButtonLayout.Key(button, bellows));
                }
            }
        }
        return all;
    }

    /** The button and finger that an occasion names. */
    static Optional<ButtonWay> wayOf(Occasion occasion) {
        String[] names = occasion.school(Ornament.of("held-button")).split("/", 2);
        return names.length < 2
                ? Optional.empty()
                : key(occasion.playing().instrument(), names[0])
                        .map(key -> new ButtonWay(key, Integer.parseInt(names[1])));
    }

    static Optional<ButtonLayout.Key> keyOf(Occasion occasion) {
        return wayOf(occasion).map(ButtonWay::key);
    }

    /** Whether the button is down already, under the tone before. */
    static boolean isHeldBefore(Occasion occasion) {
        return occasion.before()
                .flatMap(tone -> tone.placed())
                .filter(placement -> placement.stack().equals(occasion.stack()))
                .isPresent();
    }

    /** The notes over which something is to be held. */
    private static final class Passage {
        private final Scene scene;
        private final Instrument instrument;
        private final List<Note> notes;
        private final Key key;
        private final ButtonSounds sounds;

        Passage(Scene scene, Layer layer) {
            this.scene = scene;
            this.instrument = scene.playing().instrument();
            this.notes = layer.span().notes(scene.tune()).stream()
                    .filter(note -> !note.isRest())
                    .toList();
            this.key =
                    scene.tune().keyAt(scene.tune().placeOf(notes.get(0).id()).bar());
            this.sounds = new ButtonSounds(instrument.buttons().orElseThrow(), instrument.family(), key);
        }

        /** The home note and its fifth below the passage, the highest first. */
        List<ButtonLayout.Key> usual() {
            int lowest =
                    notes.stream().mapToInt(note -> note.melody().midi()).min().orElse(0);
            return keys(instrument).stream()
                    .filter(each -> midi(each) < lowest && isHome(midi(each)))
                    .sorted(Comparator.comparingInt((ButtonLayout.Key each) -> -midi(each)))
                    .toList();
        }

        private static int midi(ButtonLayout.Key each) {
            return each.button().pitch(each.bellows()).midi();
        }

        private boolean isHome(int midi) {
            return wildflourish.core.form.Harmony.tonic(key)
                    .map(tonic -> Math.floorMod(midi - tonic, OCTAVE))
                    .filter(over -> over == 0 || over == FIFTH)
                    .isPresent();
        }

        HeldNote held(ButtonWay way) {
            Optional<Refusal> refusal = notes.stream()
                    .flatMap(note -> refusal(note, way).stream())
                    .findFirst()
                    .or(() -> isOutOfAir(way) ? Optional.of(Refusal.NO_AIR) : Optional.empty());
            return new HeldNote(way, refusal);
        }

        private Optional<Refusal> refusal(Note note, ButtonWay way) {
            int midi = note.melody().midi();
            if (!instrument.has(note.melody())) {
                return Optional.of(Refusal.NO_SUCH_NOTE);
            }
            List<ButtonSet.Held> ways = sounds.ways(midi, false);
            List<ButtonSet.Held> oneWay = ways.stream()
                    .filter(each -> ButtonSet.isOneWay(each.way().key(), way.key()))
                    .toList();
            if (oneWay.isEmpty()) {
                return Optional.of(Refusal.BELLOWS_DISAGREE);
            }
            ButtonSet.Held held = new ButtonSet.Held(way, false, false);
            boolean goesWith = oneWay.stream()
                    .anyMatch(each -> ButtonSet.of(List.of(each, held)).isPresent());
            boolean isBusy = oneWay.stream()
                    .allMatch(each -> each.way().finger() == way.finger()
                            && each.button().hand() == way.key().button().hand());
            return goesWith ? Optional.empty() : Optional.of(isBusy ? Refusal.FINGER_BUSY : Refusal.HAND_CANNOT);
        }

        /** Whether two reeds sounding through the passage want more air than the bellows have one way. */
        private boolean isOutOfAir(ButtonWay way) {
            Fraction millis = Fraction.ZERO;
            for (Note note : notes) {
                millis = millis.plus(scene.playing().tempo().millisOf(note.played()));
            }
            return way.airWay() != 0
                    && millis.times(Fraction.of(3, 2)).isMoreThan(scene.times().of("bellows one way"));
        }
    }
}
