package humble.core.mend;

import humble.core.circuit.Fault;
import humble.core.circuit.OhmBench;
import humble.core.circuit.OhmMeter;
import humble.core.circuit.Snapshot;
import humble.core.circuit.StateSolver;
import humble.core.kit.Parts;
import java.util.List;

/** What perfect instruments say of a board with a fault. */
final class Answers {
  private Answers() {}

  /** Gives it; the board is in order where {@code fault} is null. */
  static Observation to(Measure measure, Parts parts, StateSolver solver, Fault fault) {
    List<Fault> faults = fault == null ? List.of() : List.of(fault);
    Snapshot board = solver.with(faults).orElseThrow();
    return switch (measure) {
      case Measure.Volts m ->
          new Observation.Reading(measure, board.meterVolts(m.point()).orElse(0), 0.001);
      case Measure.Across m ->
          new Observation.Reading(measure, board.meterVolts(m.red(), m.black()).orElse(0), 0.001);
      case Measure.Amps m -> new Observation.Reading(measure, board.sourceA(m.source()), 1e-4);
      case Measure.Ohms m ->
          switch (new OhmBench(parts, solver.state()).between(m.red(), m.black(), faults)) {
            case OhmMeter.Reading.Ohms read -> new Observation.Reading(measure, read.ohms(), 0.1);
            default -> new Observation.Reading(measure, Double.POSITIVE_INFINITY, 0);
          };
      case Measure.Look m ->
          new Observation.Seen(board.lit(m.ref()) ? Sight.LIT : Sight.DARK, m.ref());
    };
  }
}
