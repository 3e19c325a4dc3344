package humble.core.circuit;

import humble.core.kit.BoardState;
import humble.core.kit.Kit;
import humble.core.kit.Parts;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;

/**
 * A circuit ready to be solved: devices between numbered nodes. Made anew for every solve, since
 * devices remember.
 *
 * @param nodeCount number of nodes besides ground
 * @param nodeOfNet node by net, -1 for ground
 * @param nodeOfPin node by pin that an open joint lifted
 * @param devices every device
 * @param reported devices whose current is reported, by part
 * @param shining parts that shine when they conduct
 * @param supply the supply
 * @param regulators regulators by part
 * @param byPart every device of every part, for the heat in it
 * @param drawn what boards differ in
 * @param feeds what feeds them, somewhere in its range
 */
record Circuit(
    int nodeCount,
    SequencedMap<String, Integer> nodeOfNet,
    Map<String, Integer> nodeOfPin,
    List<Device> devices,
    SequencedMap<String, List<Device>> reported,
    java.util.Set<String> shining,
    Optional<BenchSupply> supply,
    SequencedMap<String, SeriesRegulator> regulators,
    Map<String, List<Device>> byPart,
    List<Drawn> drawn,
    List<Drawn> feeds) {

  /** Gives this circuit with one more device, sharing the others. */
  Circuit with(Device device) {
    List<Device> more = new ArrayList<>(devices);
    more.add(device);
    return new Circuit(
        nodeCount,
        nodeOfNet,
        nodeOfPin,
        more,
        reported,
        shining,
        supply,
        regulators,
        byPart,
        drawn,
        feeds);
  }

  static Circuit of(Parts parts, BoardState state, List<Fault> faults) {
    return new CircuitBuilder(parts, state, faults).build();
  }

  static Circuit of(Kit kit, BoardState state, List<Fault> faults) {
    return of(Parts.of(kit), state, faults);
  }
}
