package humble.desktop.sort;

import humble.core.kit.Line;
import humble.core.kit.PartKind;
import humble.core.likeness.LookAlikes;
import humble.core.marking.BandColour;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.desktop.draw.Mat;
import humble.desktop.session.Progress;
import humble.desktop.stage.LineNames;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** The ruler of values: a slab for every pile, ties between those that look alike, a needle. */
record Ruler(Piles piles) {
  /**
   * Gives the picture.
   *
   * @param decided ids of the lines that what is typed decides for
   * @param needle reading, in ohms
   * @param bands bands of the part in hand
   * @param entered whether these were typed
   */
  Mat mat(List<String> decided, OptionalDouble needle, List<BandColour> bands, boolean entered) {
    List<RulerMat.Slab> slabs = new ArrayList<>();
    for (Line line : piles.open().kit().bagged()) {
      if (line.kind() == PartKind.RESISTOR
          && Quantity.parse(line.value()) instanceof QuantityText.Read read) {
        Double tolerance = line.tolerancePct();
        slabs.add(
            new RulerMat.Slab(
                LineNames.brief(piles.seat().words(), line),
                read.value(),
                tolerance == null ? 5 : tolerance,
                Progress.sorted(piles.open().build(), line),
                decided.contains(line.id())));
      }
    }
    List<RulerMat.Tie> ties =
        piles.alikes().pairs().stream().flatMap(pair -> tie(pair).stream()).toList();
    return new RulerMat(
        piles.seat().say("sort.mat"),
        slabs,
        ties,
        needle,
        bands,
        piles.seat().say(entered ? "sort.part.entered" : "sort.part"));
  }

  private Optional<RulerMat.Tie> tie(LookAlikes.Pair pair) {
    OptionalDouble a = Piles.ohms(piles.open().kit(), pair.a());
    OptionalDouble b = Piles.ohms(piles.open().kit(), pair.b());
    return a.isPresent() && b.isPresent()
        ? Optional.of(new RulerMat.Tie(a.getAsDouble(), b.getAsDouble()))
        : Optional.empty();
  }
}
