package humble.core.wake;

import humble.core.kit.BoardState;
import humble.core.kit.Parts;
import humble.core.kit.Peripheral;
import humble.core.kit.PinRef;
import humble.core.mend.Habits;
import humble.core.mend.Suspect;
import humble.core.mend.Suspects;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What may be wrong with a matrix of lights, and how likely each is before anything was seen: the
 * joints of every light, its direction and its own death, the pins of the lines, bridges between
 * lines, and all of it off. Where the kit has the lights as parts the shares are those that Mend
 * reckons with, so that a dark light is judged by one rule everywhere; else they are the usual ones
 * in the same order: joints, direction, death.
 */
final class LightFaults {
  private static final double USUAL_JOINT = 1.0;
  private static final double USUAL_REVERSED = 0.8;
  private static final double USUAL_DEAD = 0.15;
  private static final double USUAL_BRIDGE = 0.5;
  private static final double FAR_BRIDGE = 0.05;

  /** A pin whose driver is gone, against the joint of that pin. */
  private static final double PIN_PART = 0.15;

  /** A joint that conducts badly, against one that does not conduct. */
  private static final double COLD_PART = 0.2;

  /** Chip, power or program: against one joint. */
  private static final double OFF_PART = 3;

  private final Peripheral.Matrix matrix;
  private final Map<String, Double> mend;
  private final Optional<Parts> parts;
  private final double joint;

  private LightFaults(
      Peripheral.Matrix matrix, Optional<Parts> parts, Map<String, Double> mend, double joint) {
    this.matrix = matrix;
    this.parts = parts;
    this.mend = mend;
    this.joint = joint;
  }

  /** Takes the usual shares. */
  static LightFaults usual(Peripheral.Matrix matrix) {
    return new LightFaults(matrix, Optional.empty(), Map.of(), USUAL_JOINT);
  }

  /** Takes the shares that Mend reckons with on this board. */
  static LightFaults on(Parts parts, Peripheral.Matrix matrix) {
    Map<String, Double> mend = new HashMap<>();
    BoardState state =
        parts.kit().states().stream()
            .filter(each -> each.absent().isEmpty())
            .findFirst()
            .orElse(null);
    if (state == null) {
      return new LightFaults(matrix, Optional.of(parts), mend, USUAL_JOINT);
    }
    for (Suspect suspect : Suspects.of(parts, state, Habits.usual())) {
      mend.merge(suspect.name(), suspect.prior(), Double::sum);
    }
    double joints =
        matrix.lights().stream()
            .map(Peripheral.Light::ref)
            .mapToDouble(ref -> mend.getOrDefault("open:" + ref + ".1", 0.0))
            .filter(prior -> prior > 0)
            .average()
            .orElse(USUAL_JOINT);
    return new LightFaults(matrix, Optional.of(parts), mend, joints);
  }

  /**
   * One fault, its share and what it does to the lines.
   *
   * @param light the light across whose pads it is a bridge, else 0
   */
  record Fault(String name, double prior, LightLines.Wrong wrong, int light) {
    Fault(String name, double prior, LightLines.Wrong wrong) {
      this(name, prior, wrong, 0);
    }
  }

  List<Fault> all() {
    List<Fault> all = new ArrayList<>();
    for (String line : matrix.lines()) {
      double open = mend.getOrDefault("open:" + canonical(line), 1.1 * joint);
      all.add(new Fault("open:" + line, open, LightLines.Wrong.open(line)));
      all.add(new Fault("pin:" + line, PIN_PART * open, LightLines.Wrong.open(line)));
      double cold = mend.getOrDefault("cold:" + canonical(line), COLD_PART * open);
      all.add(new Fault("cold:" + line, cold, LightLines.Wrong.weak(line)));
    }
    for (int light = 1; light <= matrix.lights().size(); light++) {
      light(light, all);
    }
    for (int i = 0; i < matrix.lines().size(); i++) {
      for (int k = i + 1; k < matrix.lines().size(); k++) {
        bridge(i, k, all);
      }
    }
    all.add(new Fault("off", OFF_PART * joint, LightLines.Wrong.off()));
    return all;
  }

  private void light(int light, List<Fault> all) {
    String ref = matrix.lights().get(light - 1).ref();
    LightLines.Wrong dark = LightLines.Wrong.dead(light);
    for (String pin : pins(ref)) {
      double open = mend.getOrDefault("open:" + pin, joint);
      all.add(new Fault("open:" + pin, open, dark));
      double cold = mend.getOrDefault("cold:" + pin, COLD_PART * open);
      all.add(new Fault("cold:" + pin, cold, LightLines.Wrong.weak(light)));
    }
    acrossItsPads(light, pins(ref), all);
    all.add(
        new Fault(
            "reversed:" + light,
            mend.getOrDefault("reversed:" + ref, USUAL_REVERSED * joint),
            LightLines.Wrong.reversed(light)));
    all.add(new Fault("dead:" + light, mend.getOrDefault("dead:" + ref, USUAL_DEAD * joint), dark));
  }

  /** The joints of a light that is a part; a light of a module has none that anybody reaches. */
  private List<String> pins(String ref) {
    return parts.flatMap(board -> board.part(ref)).stream()
        .flatMap(part -> part.pack().pins().stream())
        .map(pin -> ref + "." + pin.number())
        .toList();
  }

  /** A bridge across the pads of a light joins its two lines. */
  private void acrossItsPads(int light, List<String> pins, List<Fault> all) {
    if (pins.size() == 2) {
      Peripheral.Light lines = matrix.lights().get(light - 1);
      double prior = shorted(pins.getFirst(), pins.getLast());
      if (prior > 0) {
        all.add(
            new Fault(
                "short:" + pins.getFirst() + "-" + pins.getLast(),
                prior,
                LightLines.Wrong.joinedBehind(lines.anodePin(), lines.cathodePin()),
                light));
      }
    }
  }

  private double shorted(String a, String b) {
    return Math.max(
        mend.getOrDefault("short:" + a + "-" + b, 0.0),
        mend.getOrDefault("short:" + b + "-" + a, 0.0));
  }

  private void bridge(int i, int k, List<Fault> all) {
    String a = matrix.lines().get(i);
    String b = matrix.lines().get(k);
    double usual = (k == i + 1 ? USUAL_BRIDGE : FAR_BRIDGE) * joint;
    double prior = shorted(canonical(a), canonical(b));
    // On a board whose pads are known only neighbours are bridged, as Mend has it.
    if (mend.isEmpty() || prior > 0) {
      all.add(
          new Fault(
              "short:" + a + "-" + b, prior > 0 ? prior : usual, LightLines.Wrong.joined(a, b)));
    }
  }

  private String canonical(String pin) {
    return parts
        .flatMap(board -> PinRef.parse(pin).flatMap(board::canonical))
        .map(PinRef::toString)
        .orElse(pin);
  }
}
