package humble.desktop.wake;

import humble.bench.PracticeBench;
import humble.core.kit.BoardState;
import humble.core.kit.Peripheral;
import humble.core.wake.LightMatrix;
import humble.core.wake.LightScan;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Lights of a matrix: each shines at its own turn, the numbers of the dark ones are typed, and what
 * they have in common is deduced. Facts: {@code dark}, {@code dim}, {@code ghosts}, each with its
 * numbers.
 */
final class LightsWaking extends MarkedWaking {
  private static final int MOST_SUSPECTS = 3;

  private final Peripheral.Matrix matrix;

  /** Every fault is played through the scan once, when the first light is dark. */
  private @Nullable LightMatrix reckoning;

  private LightsWaking(WakeBench bench, Peripheral.Matrix matrix) {
    super(
        bench,
        matrix,
        "lights",
        List.of("dark", "dim", "ghosts"),
        matrix.lights().stream().map(Peripheral.Light::ref).toList());
    this.matrix = matrix;
  }

  static Optional<WakeHand> of(WakeBench bench, Peripheral peripheral) {
    return peripheral instanceof Peripheral.Matrix matrix
        ? Optional.of(new LightsWaking(bench, matrix))
        : Optional.empty();
  }

  /** What is cautioned of at one of its lights is cautioned of when all of them shine. */
  @Override
  protected List<String> concerns() {
    List<String> names = new ArrayList<>(super.concerns());
    matrix.lights().stream()
        .map(Peripheral.Light::ref)
        .filter(ref -> !ref.isEmpty())
        .forEach(names::add);
    return names;
  }

  @Override
  protected Map<String, Set<Integer>> failing(PracticeBench practice, BoardState powered) {
    LightScan scan = practice.lights(matrix, powered);
    Map<String, Set<Integer>> all = new LinkedHashMap<>();
    all.put("dark", scan.dark());
    all.put("dim", scan.dim());
    all.put("ghosts", scan.ghosts());
    return all;
  }

  @Override
  protected List<String> requests() {
    List<String> turns =
        new ArrayList<>(
            matrix.lights().stream()
                .map(light -> "drive " + light.anodePin() + "=high " + light.cathodePin() + "=low")
                .toList());
    turns.add(WakeLine.RELEASE);
    return turns;
  }

  @Override
  protected boolean isSeen() {
    return true;
  }

  @Override
  protected List<String> told(Map<String, Set<Integer>> numbers) {
    LightMatrix ready = reckoning;
    if (ready == null) {
      ready = new LightMatrix(open.built(), matrix);
      reckoning = ready;
    }
    return ready
        .suspects(
            new LightScan(
                numbers.getOrDefault("dark", Set.of()),
                numbers.getOrDefault("ghosts", Set.of()),
                numbers.getOrDefault("dim", Set.of())))
        .stream()
        .limit(MOST_SUSPECTS)
        .map(this::suspected)
        .toList();
  }
}
