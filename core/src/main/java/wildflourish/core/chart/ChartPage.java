package wildflourish.core.chart;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import wildflourish.core.engraving.Page;
import wildflourish.core.music.FingeredPitch;

/** A sheet of a chart with where its notes are seen. */
public record ChartPage(Page page, List<PitchZone> zones) {
    public ChartPage {
        zones = List.copyOf(zones);
    }

    /** The note at a point; of places that overlap the smaller. */
    public Optional<FingeredPitch> pitchAt(double x, double y) {
        return zones.stream()
                .filter(zone -> zone.box().has(x, y))
                .min(Comparator.comparingDouble(
                        zone -> zone.box().width() * zone.box().height()))
                .map(PitchZone::pitch);
    }

    /** Everywhere a note is seen. */
    public List<PitchZone> zonesOf(FingeredPitch pitch) {
        return zones.stream().filter(zone -> zone.pitch().equals(pitch)).toList();
    }
}
