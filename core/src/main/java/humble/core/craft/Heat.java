package humble.core.craft;

import humble.core.circuit.CircuitInput;
import humble.core.circuit.DcOutcome;
import humble.core.circuit.DcSolver;
import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** What the parts of a kit turn into heat, from its circuit. */
public final class Heat {
  private Heat() {}

  /**
   * Gives the most that each resistor and regulator turns into heat in any state of the kit, in
   * watts. States that cannot be solved say nothing.
   */
  public static Map<String, Double> watts(Parts parts) {
    Map<String, Double> watts = new HashMap<>();
    DcSolver solver = new DcSolver(parts);
    for (BoardState state : parts.kit().states()) {
      try {
        if (solver.solve(state, List.of()) instanceof DcOutcome.Solved solved) {
          solved
              .result()
              .parts()
              .forEach((ref, current) ->
                  parts
                      .part(ref)
                      .map(part -> resistive(part, current.ma()))
                      .ifPresent(heat -> watts.merge(ref, heat, Math::max)));
          solved
              .result()
              .regulators()
              .forEach((ref, heat) -> watts.merge(ref, heat.watts(), Math::max));
        }
      } catch (CircuitInput e) {
        // The check has told of a state that names what the kit lacks; its heat is not known.
        continue;
      }
    }
    return watts;
  }

  private static double resistive(Part part, double ma) {
    return part.model() instanceof Model.Resistor resistor ? ma * ma * 1e-6 * resistor.ohms() : 0;
  }
}
