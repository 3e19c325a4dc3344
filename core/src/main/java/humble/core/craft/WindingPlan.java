package humble.core.craft;

import humble.core.kit.Winding;
import java.util.List;

/**
 * What a ring needs: turns, wire, layers, and what inductance comes of it.
 *
 * <p>One pass through the middle is a turn. L = A_L·N²; a coil's wire is turns × (OD − ID +
 * 2·height) × 1.06 plus its tails; layer k, from 1, holds ⌊π·(ID − (2k − 1)·d)/d⌋ turns.
 *
 * @param coils coil by coil, in the order they are wound
 * @param layers layers that hold all turns together, 0 when none do
 * @param fits whether the hole holds them
 */
public record WindingPlan(List<Coil> coils, int layers, boolean fits) {
  private static final double SLACK = 1.06;
  private static final double NANO = 1e-9;

  /** Resistivity of annealed copper at 20 °C, IEC 60028. */
  private static final double COPPER_OHM_M = 1.7241e-8;

  private static final double BARE = 0.9;

  /** A warm wire, one a little longer or thinner than planned. */
  private static final double WARM = 1.25;

  private static final double LEADS_OHM = 1;

  public WindingPlan {
    coils = List.copyOf(coils);
  }

  /**
   * One coil.
   *
   * @param id its name
   * @param turns turns
   * @param wireMm wire to cut, tails included
   * @param inductanceH inductance, in henries
   * @param sense {@code cw} or {@code ccw}
   * @param ohms resistance of its wire from end to end, at room temperature
   */
  public record Coil(
      String id, int turns, double wireMm, double inductanceH, String sense, double ohms) {
    /** What a meter shows at most where the ends are joined: the wire, its leads, two contacts. */
    public double mostOhms() {
      return ohms * WARM + LEADS_OHM;
    }
  }

  /** Computes the plan. */
  public static WindingPlan of(Winding winding) {
    Winding.Core core = winding.core();
    double perTurn = (core.odMm() - core.idMm() + 2 * core.heightMm()) * SLACK;
    List<Coil> coils =
        winding.coils().stream()
            .map(coil -> {
              int turns = turns(coil, core.alNh());
              double wireMm = turns * perTurn + winding.tailsMm();
              return new Coil(
                  coil.id(),
                  turns,
                  wireMm,
                  core.alNh() * NANO * turns * turns,
                  coil.sense(),
                  ohms(wireMm, winding.wireDiameterMm()));
            })
            .toList();
    int all = coils.stream().mapToInt(Coil::turns).sum();
    int layers = layers(core.idMm(), winding.wireDiameterMm(), all);
    return new WindingPlan(coils, layers, layers > 0 || all == 0);
  }

  /** Copper under the enamel, which takes about a tenth of the diameter. */
  private static double ohms(double wireMm, double overEnamelMm) {
    double bareMm = overEnamelMm * BARE;
    return COPPER_OHM_M * wireMm * 1e-3 / (Math.PI * bareMm * bareMm / 4 * 1e-6);
  }

  private static int turns(Winding.Coil coil, double alNh) {
    Double target = coil.targetH();
    return coil.turns() > 0 || target == null
        ? coil.turns()
        : (int) Math.max(1, Math.round(Math.sqrt(target / (alNh * NANO))));
  }

  /** The fewest layers that hold the turns, 0 when the hole closes first. */
  private static int layers(double idMm, double wireMm, int turns) {
    int held = 0;
    for (int layer = 1; idMm - 2 * layer * wireMm > 0; layer++) {
      held += (int) Math.floor(Math.PI * (idMm - (2 * layer - 1) * wireMm) / wireMm);
      if (held >= turns) {
        return layer;
      }
    }
    return 0;
  }

  /** Gives the turns of all coils together. */
  public int turns() {
    return coils.stream().mapToInt(Coil::turns).sum();
  }

  /** Gives the wire of all coils together, in millimetres. */
  public double wireMm() {
    return coils.stream().mapToDouble(Coil::wireMm).sum();
  }
}
