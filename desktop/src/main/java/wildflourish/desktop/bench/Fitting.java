package wildflourish.desktop.bench;

import java.util.List;
import java.util.Optional;
import java.util.function.DoubleConsumer;
import wildflourish.core.growing.Choices;
import wildflourish.core.growing.Growth;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Stair;
import wildflourish.desktop.room.Tools;

/** What fits the tune in hand, found once for plans and remarks and kept for as long as all that decides it stays. */
final class Fitting {
    private final Tools.Tastes tastes;
    private Optional<Known> known = Optional.empty();

    private record Asked(Tune tune, Playing playing, List<Tempo> tempos, Profile profile) {}

    private record Known(Asked asked, Choices choices) {}

    Fitting(Tools.Tastes tastes) {
        this.tastes = tastes;
    }

    /** Asked away from the window's thread; one question waits for the other. {@code reached} is told the share that is done. */
    synchronized Choices of(Tune tune, Stair stair, Profile profile, DoubleConsumer reached) {
        List<Tempo> tempos = stair.stages().stream()
                .map(version -> version.playing().tempo())
                .toList();
        Asked asked = new Asked(tune, stair.at(0).playing(), tempos, profile);
        Known found = known.filter(each -> each.asked().equals(asked))
                .orElseGet(() -> new Known(asked, Growth.choices(tune, stair, profile, reached)));
        known = Optional.of(found);
        return found.choices().knowing(tastes.of(stair.instrument().family()));
    }
}
