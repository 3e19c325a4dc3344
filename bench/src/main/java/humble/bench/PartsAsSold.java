package humble.bench;

import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.Model;
import humble.core.kit.Parts;
import humble.core.units.Band;
import humble.core.units.Spread;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.jspecify.annotations.Nullable;

/** The parts of one simulated board: each with a value of its own, as parts as sold differ. */
final class PartsAsSold {
  /** What is sold was sorted: nothing lies further out than this part of its half-width. */
  private static final double SORTED_PART = 0.6;

  /** What the kinds besides resistors are drawn from, so that resistors stay what they are. */
  private static final long OTHERS = 0x5eed_0f1e_57a1_11edL;

  private PartsAsSold() {}

  /**
   * Gives the kit with every resistor, junction, regulator, chip and battery drawn.
   *
   * @param random what resistors are drawn from
   */
  static Kit of(Parts parts, long seed, Random random) {
    Random others = new Random(seed ^ OTHERS);
    List<Line> lines = new ArrayList<>();
    for (Line line : parts.kit().lines()) {
      for (String ref : line.refs()) {
        Model drawn = drawn(parts.get(ref).model(), line, random, others);
        lines.add(line.with(List.of(ref), drawn));
      }
      if (line.refs().isEmpty()) {
        lines.add(line);
      }
    }
    return parts.kit().withLines(lines);
  }

  private static @Nullable Model drawn(Model model, Line line, Random random, Random others) {
    Double tolerance = line.tolerancePct();
    return switch (model) {
      case Model.Resistor r ->
          tolerance == null
              ? line.model()
              : new Model.Resistor(
                  r.ohms() * (1 + Spread.sigma(tolerance / 100) * random.nextGaussian()));
      case Model.Junction j ->
          new Model.Junction(
              j.vfV() + within(j.spreadV(), others), j.atMa(), j.n(), j.led(), j.spreadV());
      case Model.Regulator r -> {
        Double own = r.tolerancePct();
        double pct =
            own != null ? own : tolerance != null ? tolerance : Model.Regulator.USUAL_TOLERANCE_PCT;
        yield new Model.Regulator(
            r.voutV() * (1 + within(pct / 100, others)),
            r.dropoutV(),
            r.limitMa(),
            r.iqMa(),
            r.thetaJaCPerW(),
            r.in(),
            r.gnd(),
            r.out(),
            own);
      }
      case Model.Load load ->
          new Model.Load(
              load.plus(),
              load.minus(),
              load.ma() * (1 + within(load.spreadPct() / 100, others)),
              load.minV(),
              load.outputsRonOhm(),
              load.spreadPct(),
              load.starts());
      case Model.Battery cell -> cell.at(between(cell.vocRangeV(), others));
      case Model.Zener z -> line.model();
      case Model.Bipolar q -> line.model();
      case Model.Mosfet m -> line.model();
      case Model.Switch s -> line.model();
      case Model.Pot p -> line.model();
      case Model.Closed c -> line.model();
      case Model.Open o -> line.model();
    };
  }

  /** Draws what holds 95 in a hundred, as far as it is sold. */
  private static double within(double half, Random random) {
    double most = SORTED_PART * half;
    return Math.clamp(Spread.sigmaOfHalf95(half) * random.nextGaussian(), -most, most);
  }

  private static double between(Band range, Random random) {
    return range.low() + random.nextDouble() * (range.high() - range.low());
  }
}
