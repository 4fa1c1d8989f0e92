package wildflourish.files.paint;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import wildflourish.core.engraving.*;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.*;
import wildflourish.core.tune.*;
import wildflourish.core.version.*;
import wildflourish.files.Demo;

class Peek {
    public static void main(String[] a) throws Exception {
        Tune tune = Demo.tunes().get(Integer.parseInt(a[0]) - 1);
        Stair stair = Stair.starting(tune, Instrument.of("whistle-d"), 2);
        int i = 0;
        for (Note n : tune.notes()) {
            var f = WhatFits.at(tune, n.id(), stair.at(1).playing(), Profile.usual())
                    .best();
            if (f.isPresent()
                    && i++ % 3 == 0
                    && stair.at(1).covering(tune, n.id()).isEmpty())
                stair = stair.placed(tune, 1, f.get().placement());
        }
        var pages = Engraver.engrave(new Score(tune, Optional.of(stair.at(1)), Score.Shows.PRINT), Paper.endless(122));
        Files.write(Path.of(a[1]), PngPainter.paint(pages.get(0), Palette.LIGHT, 9));
        Files.writeString(Path.of(a[1] + ".svg"), SvgPainter.paint(pages.get(0), Palette.LIGHT, 1.5));
        var a4 = Engraver.engrave(new Score(tune, Optional.of(stair.at(1)), Score.Shows.PRINT), Paper.a4());
        Files.write(Path.of(a[1] + ".pdf"), PdfPainter.paint(a4, tune.title(), 1.5));
    }
}
