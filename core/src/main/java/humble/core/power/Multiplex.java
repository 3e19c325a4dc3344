package humble.core.power;

import humble.core.circuit.Snapshot;
import humble.core.circuit.StateSolver;
import humble.core.kit.BoardState;
import humble.core.kit.Parts;
import humble.core.kit.Peripheral;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A matrix of lights scanned step by step: one row lit at a time counts as one row. Rows with lines
 * of their own are lit whole; where lines are anode and cathode by turns, one light at a time is.
 *
 * @param id peripheral
 * @param line line that is high in the heaviest step
 * @param mostMa current of the supply in the heaviest step, in milliamperes
 * @param meanMa mean over all steps: what the supply shows while it scans
 * @param lineMa current out of that line, in milliamperes
 */
public record Multiplex(String id, String line, double mostMa, double meanMa, double lineMa) {

  /** Gives the scans of a state in which the lines of a matrix rest; dark ones are left out. */
  static List<Multiplex> of(Parts parts, BoardState state) {
    List<Multiplex> scans = new ArrayList<>();
    for (Peripheral peripheral : parts.kit().peripherals()) {
      if (peripheral instanceof Peripheral.Matrix matrix
          && !matrix.lights().isEmpty()
          && state.drive().isEmpty()
          && parts.isOn(matrix.part(), state)) {
        scan(parts, state, matrix).ifPresent(scans::add);
      }
    }
    return scans;
  }

  private static Optional<Multiplex> scan(Parts parts, BoardState state, Peripheral.Matrix matrix) {
    Multiplex heaviest = null;
    double sum = 0;
    List<List<Peripheral.Light>> steps = steps(matrix);
    for (List<Peripheral.Light> step : steps) {
      String line = step.getFirst().anodePin();
      Map<String, String> drive = new LinkedHashMap<>();
      step.forEach(light -> drive.put(light.cathodePin(), "low"));
      drive.put(line, "high");
      Snapshot board = new StateSolver(parts, state.withDrive(drive)).asDesigned().orElse(null);
      if (board == null) {
        return Optional.empty();
      }
      double ma = board.supplyA() * 1000;
      sum += ma;
      if (heaviest == null || ma > heaviest.mostMa) {
        double lineMa = step.stream().mapToDouble(light -> board.amps(light.ref()) * 1000).sum();
        heaviest = new Multiplex(matrix.id(), line, ma, 0, lineMa);
      }
    }
    double mean = sum / steps.size();
    return Optional.ofNullable(heaviest)
        .map(most -> new Multiplex(most.id, most.line, most.mostMa, mean, most.lineMa));
  }

  private static List<List<Peripheral.Light>> steps(Peripheral.Matrix matrix) {
    boolean pairs =
        matrix.lights().stream()
            .anyMatch(light ->
                matrix.lights().stream()
                    .anyMatch(other -> other.cathodePin().equals(light.anodePin())));
    Map<String, List<Peripheral.Light>> byLine = new LinkedHashMap<>();
    for (Peripheral.Light light : matrix.lights()) {
      String step = pairs ? light.anodePin() + ' ' + light.cathodePin() : light.anodePin();
      byLine.computeIfAbsent(step, key -> new ArrayList<>()).add(light);
    }
    return List.copyOf(byLine.values());
  }
}
