package wildflourish.files.abc;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import wildflourish.core.line.AddedBars;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Interval;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Identities;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Version;

/**
 * A tune with the bars that a version adds written in its text, and the version without them.
 *
 * @param tune whose own notes keep their identities
 */
record AddedText(Tune tune, Version version) {
    private static final Pattern CHANGES_UNIT = Pattern.compile("(?m)^L:|\\[L:");

    static AddedText of(Tune tune, Version version) {
        Tune whole = AddedBars.of(tune, version);
        return whole.bars().size() == tune.bars().size() ? new AddedText(tune, version) : written(tune, whole, version);
    }

    private static AddedText written(Tune tune, Tune whole, Version version) {
        int own = whole.bars()
                .indexOf(whole.bars().stream()
                        .filter(bar -> !bar.isAdded())
                        .findFirst()
                        .orElseThrow());
        List<Bar> before = whole.bars().subList(0, own);
        List<Bar> after =
                whole.bars().subList(own + tune.bars().size(), whole.bars().size());
        String text = tune.manuscript().text();
        int body = tune.manuscript().bodyStart();
        String unit = "[L:" + tune.header().time().unitLength() + "]";
        boolean isUnitKept = !CHANGES_UNIT.matcher(text.substring(body)).find();
        Fraction length = tune.header().time().unitLength();
        Interval first = tune.manuscript().aboveLetters(body).downwards();
        Interval last = tune.manuscript().aboveLetters(text.length()).downwards();
        String added = text.substring(0, body)
                + new AddedNotes(whole.keyAt(0), length, first).text(before)
                + (before.isEmpty() ? "" : BookWriter.lineEnd(tune))
                + text.substring(body).stripTrailing()
                + (after.isEmpty() ? "" : BookWriter.lineEnd(tune) + (isUnitKept ? "" : unit))
                + new AddedNotes(whole.keyAt(whole.bars().size() - 1), length, last).text(after);
        Tune read = TuneText.read(added).value();
        long shift = before.stream().mapToLong(bar -> bar.notes().size()).sum();
        Map<NoteId, NoteId> names = new HashMap<>();
        for (int i = 0; i < read.notes().size(); i++) {
            boolean isOwn = i >= shift && i < shift + tune.notes().size();
            names.put(
                    read.notes().get(i).id(),
                    isOwn ? tune.notes().get((int) (i - shift)).id() : new NoteId(-1 - i));
        }
        List<Layer> layers = version.layers().stream()
                .filter(layer -> !layer.rule().work().addsBars())
                .toList();
        return new AddedText(Identities.renamed(read, names), version.withLayers(layers));
    }
}
