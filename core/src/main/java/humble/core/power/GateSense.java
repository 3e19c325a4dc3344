package humble.core.power;

import humble.core.circuit.Feed;
import humble.core.kit.BoardState;
import humble.core.kit.Finding;
import humble.core.kit.Gate;
import humble.core.kit.Kit;
import humble.core.kit.Parts;
import java.util.ArrayList;
import java.util.List;

/** Finds the gates that could never be judged. */
public final class GateSense {
  private GateSense() {}

  /** Gives an error for every gate whose reading follows from nothing and is not stated either. */
  public static List<Finding> of(Kit kit) {
    Parts parts = Parts.of(kit);
    GateReckoning reckoning = new GateReckoning(parts);
    List<Finding> findings = new ArrayList<>();
    for (int i = 0; i < kit.gates().size(); i++) {
      Gate gate = kit.gates().get(i);
      BoardState state = kit.state(gate.state()).orElse(null);
      if (state == null || reckoning.of(gate).isPresent()) {
        continue;
      }
      String because =
          gate.measure().isPowered() && Feed.of(parts, state).isEmpty()
              ? "nothing feeds the board in state '" + state.id() + "'"
              : "the circuit gives no reading in state '" + state.id() + "'";
      findings.add(
          Finding.error(
              "kit.json#/gates/" + i,
              "Gate '"
                  + gate.id()
                  + "' cannot be judged: "
                  + because
                  + ", and the kit states no 'expect'."));
    }
    return findings;
  }
}
