package humble.desktop.sort;

import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.PartKind;
import humble.core.marking.BandColour;
import humble.core.marking.BandReading;
import humble.core.marking.ResistorBands;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Bands typed as two letters each, read from both ends against the lines of a kit. Blanks, hyphens
 * and commas between them do not matter.
 *
 * @param typed the letters, without what stands between them
 * @param bands the colours read
 * @param readings every legal reading, best first; empty while the text is no whole set of bands
 * @param unread letters from the first pair on that is no colour; empty when all are
 */
record BandEntry(String typed, List<BandColour> bands, List<BandReading> readings, String unread) {
  private static final double SAME_VALUE = 1e-6;

  /** Tells whether a text is meant as bands: it begins with a letter. */
  static boolean meant(String text) {
    return !text.isEmpty() && Character.isLetter(text.charAt(0));
  }

  static BandEntry of(String text, Kit kit) {
    String letters = text.replaceAll("[\\s,.-]", "");
    List<BandColour> bands = new ArrayList<>();
    for (int at = 0; at < letters.length(); at += 2) {
      Optional<BandColour> colour =
          BandColour.named(letters.substring(at, Math.min(at + 2, letters.length())));
      if (colour.isEmpty()) {
        return new BandEntry(letters, bands, List.of(), letters.substring(at));
      }
      bands.add(colour.get());
    }
    boolean whole = bands.size() == 1 || (bands.size() >= 3 && bands.size() <= 6);
    return new BandEntry(
        letters,
        bands,
        whole ? ResistorBands.read(bands, ohms -> line(kit, ohms).isPresent()) : List.of(),
        "");
  }

  /** Gives the lines of the kit that one of the readings names. */
  List<Line> lines(Kit kit) {
    return readings.stream().flatMap(r -> line(kit, r.ohms()).stream()).distinct().toList();
  }

  private static Optional<Line> line(Kit kit, double ohms) {
    return kit.bagged().stream()
        .filter(line -> line.kind() == PartKind.RESISTOR)
        .filter(line ->
            Quantity.parse(line.value()) instanceof QuantityText.Read read
                && Math.abs(read.value() - ohms) <= SAME_VALUE * ohms)
        .findFirst();
  }
}
