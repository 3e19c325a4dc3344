package humble.core.power;

import humble.core.circuit.Snapshot;
import humble.core.circuit.StateSolver;
import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;

/**
 * How long a board runs from its battery. The open-circuit voltage falls in a straight line from
 * full to cut-off while the charge is drawn, and the board stops when what is left behind the inner
 * resistance is at cut-off: hours = mAh/I · clamp((voc − I·rint − cutoff)/(voc − cutoff), 0, 1).
 */
public final class BatteryLife {
  private static final double NOTHING_A = 1e-9;

  private final Parts parts;

  /** Makes the reckoning for one kit. */
  public BatteryLife(Parts parts) {
    this.parts = parts;
  }

  private List<Part> batteries(BoardState state) {
    Set<String> gone = parts.gone(state);
    return parts.all().stream()
        .filter(part -> part.model() instanceof Model.Battery)
        .filter(part -> !gone.contains(part.ref()))
        .toList();
  }

  /**
   * Gives the hours at the average current over {@code states}, weighed by their shares of the
   * time; of several batteries that of the first to be empty. States fed by a supply count only
   * when no other is there. Empty without a battery, or when it gives nothing.
   */
  public OptionalDouble hours(List<BoardState> states) {
    List<BoardState> fed = states.stream().filter(state -> !batteries(state).isEmpty()).toList();
    List<BoardState> alone = fed.stream().filter(state -> state.supply() == null).toList();
    List<BoardState> counted = alone.isEmpty() ? fed : alone;
    Map<Part, Double> amps = new LinkedHashMap<>();
    double shares = 0;
    for (BoardState state : counted) {
      Double share = state.share();
      double weight = share == null ? 1.0 / counted.size() : share;
      Snapshot board = new StateSolver(parts, state).asDesigned().orElse(null);
      if (board == null) {
        return OptionalDouble.empty();
      }
      shares += weight;
      for (Part part : batteries(state)) {
        amps.merge(part, weight * board.amps(part.ref()), Double::sum);
      }
    }
    double whole = shares;
    return amps.entrySet().stream()
        .filter(each -> each.getValue() / whole > NOTHING_A)
        .mapToDouble(each -> hours((Model.Battery) each.getKey().model(), each.getValue() / whole))
        .min();
  }

  static double hours(Model.Battery battery, double amps) {
    double left =
        (battery.vocV() - amps * battery.rintOhm() - battery.cutoffV())
            / (battery.vocV() - battery.cutoffV());
    return battery.mah() / (amps * 1000) * Math.clamp(left, 0, 1);
  }

  List<PowerReckoning.Warning> flat(List<BoardState> states) {
    List<PowerReckoning.Warning> flat = new ArrayList<>();
    for (BoardState state : states) {
      for (Part part : batteries(state)) {
        Model.Battery battery = (Model.Battery) part.model();
        double amps =
            new StateSolver(parts, state)
                .asDesigned()
                .map(board -> board.amps(part.ref()))
                .orElse(0.0);
        double volts = battery.vocV() - amps * battery.rintOhm();
        if (volts <= battery.cutoffV()) {
          flat.add(
              new PowerReckoning.Warning.Flat(state.id(), part.ref(), volts, battery.cutoffV()));
        }
      }
    }
    return flat;
  }
}
