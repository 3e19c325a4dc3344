package humble.core.kit;

import humble.core.units.Band;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** The direct-current model of a part. Volts, amperes and ohms as named; pins are pin numbers. */
public sealed interface Model {
  /** A resistance between pins 1 and 2. */
  record Resistor(double ohms) implements Model {}

  /**
   * A junction from pin 2 (anode) to pin 1 (cathode) with {@code vfV} at {@code atMa}; {@code led}
   * makes it shine. On 95 boards in a hundred its forward voltage lies within {@code spreadV} of
   * that to both sides.
   */
  record Junction(double vfV, double atMa, double n, boolean led, double spreadV) implements Model {
    /** What junctions of one kind differ by where nothing is said, in volts. */
    public static final double USUAL_SPREAD_V = 0.05;

    /** Makes a junction of the usual spread. */
    public Junction(double vfV, double atMa, double n, boolean led) {
      this(vfV, atMa, n, led, USUAL_SPREAD_V);
    }
  }

  /** A junction that also conducts backwards at {@code vzV}. */
  record Zener(double vzV, double atMa) implements Model {}

  /** A bipolar transistor. */
  record Bipolar(boolean npn, double beta, String b, String c, String e) implements Model {}

  /** A field-effect transistor, square law. */
  record Mosfet(boolean nChannel, double vthV, double kAPerV2, String g, String d, String s)
      implements Model {}

  /**
   * A three-terminal regulator; on 95 boards in a hundred its output lies within {@code
   * tolerancePct} of what it is meant to be.
   */
  record Regulator(
      double voutV,
      double dropoutV,
      double limitMa,
      double iqMa,
      double thetaJaCPerW,
      String in,
      String gnd,
      String out,
      @Nullable Double tolerancePct)
      implements Model {
    /** What regulators of one kind differ by where nothing is said, in per cent. */
    public static final double USUAL_TOLERANCE_PCT = 4;

    /** Makes a regulator of which nothing is said but its values. */
    public Regulator(
        double voutV,
        double dropoutV,
        double limitMa,
        double iqMa,
        double thetaJaCPerW,
        String in,
        String gnd,
        String out) {
      this(voutV, dropoutV, limitMa, iqMa, thetaJaCPerW, in, gnd, out, null);
    }
  }

  /**
   * A chip that draws current and drives pins; {@code outputsRonOhm} by pin. On 95 boards in a
   * hundred it draws {@code ma} to within {@code spreadPct}; {@code starts} is what a program of
   * its own waits for.
   */
  record Load(
      String plus,
      String minus,
      double ma,
      double minV,
      Map<String, Double> outputsRonOhm,
      double spreadPct,
      Starts starts)
      implements Model {
    /** What chips of one kind differ by where nothing is said, in per cent of their current. */
    public static final double USUAL_SPREAD_PCT = 20;

    private static final double USUAL_OUTPUT_OHM = 25;

    public Load {
      outputsRonOhm = Map.copyOf(outputsRonOhm);
    }

    /** Makes a chip of the usual spread, which waits for nothing. */
    public Load(
        String plus, String minus, double ma, double minV, Map<String, Double> outputsRonOhm) {
      this(plus, minus, ma, minV, outputsRonOhm, USUAL_SPREAD_PCT, Starts.AT_ONCE);
    }

    /** Gives the resistance of an output, in ohms; 25 Ω where the kit says nothing. */
    public double outputOhm(String pin) {
      return outputsRonOhm.getOrDefault(pin, USUAL_OUTPUT_OHM);
    }
  }

  /**
   * What a chip needs before it runs its program, and before that drives nothing.
   *
   * @param resetPin pin that holds it still while it is low, null where there is none
   * @param clockPins the two pins of its crystal, or none
   */
  record Starts(@Nullable String resetPin, List<String> clockPins) {
    /** Waits for nothing but its supply. */
    public static final Starts AT_ONCE = new Starts(null, List.of());

    public Starts {
      clockPins = List.copyOf(clockPins);
    }

    /** Tells whether the chip has a clock of its own, at two pins. */
    public boolean clocked() {
      return clockPins.size() == 2;
    }

    /** Tells whether it waits for anything. */
    public boolean waits() {
      return resetPin != null || clocked();
    }
  }

  /** Contacts between pairs of pins. */
  record Switch(List<List<String>> poles, boolean closed) implements Model {
    public Switch {
      poles = poles.stream().map(List::copyOf).toList();
    }
  }

  /**
   * A battery, plus at pin 1; without load it has {@code vocV}, from worn to fresh {@code
   * vocRangeV}.
   */
  record Battery(double vocV, double rintOhm, double mah, double cutoffV, Band vocRangeV)
      implements Model {
    private static final double USUAL_WORN = 0.87;
    private static final double USUAL_FRESH = 1.07;

    /** Makes a battery of the usual range: 13 % below to 7 % above. */
    public Battery(double vocV, double rintOhm, double mah, double cutoffV) {
      this(vocV, rintOhm, mah, cutoffV, usualRange(vocV));
    }

    /** Gives the volts between worn and fresh where a kit says nothing. */
    public static Band usualRange(double vocV) {
      return new Band(USUAL_WORN * vocV, USUAL_FRESH * vocV);
    }

    /** Gives this battery behind so many more ohms. */
    public Battery behind(double ohms) {
      return new Battery(vocV, rintOhm + ohms, mah, cutoffV, vocRangeV);
    }

    /** Gives this battery with another open-circuit voltage. */
    public Battery at(double volts) {
      return new Battery(volts, rintOhm, mah, cutoffV, vocRangeV);
    }
  }

  /**
   * A potentiometer, or several in one case, such as a stick.
   *
   * @param ohms of each track from end to end
   * @param at where the wipers stand, from the first pin of a track (0) to its last (1)
   * @param tracks pins of each track: end, wiper, end
   */
  record Pot(double ohms, double at, List<List<String>> tracks) implements Model {
    /** One track; pin 2 is the wiper. */
    public static final List<List<String>> ONE = List.of(List.of("1", "2", "3"));

    public Pot {
      tracks = tracks.stream().map(List::copyOf).toList();
    }

    /** Makes one of a single track. */
    public Pot(double ohms, double at) {
      this(ohms, at, ONE);
    }

    /**
     * Gives where the wiper of a track stands in a state: by the ref and the wiper's pin, or by the
     * ref alone.
     */
    public double at(String ref, List<String> track, java.util.Map<String, Double> set) {
      Double own = set.get(ref + "." + track.get(1));
      return own != null ? own : set.getOrDefault(ref, at);
    }
  }

  /** A piece of wire between pins 1 and 2. */
  record Closed() implements Model {}

  /** Nothing at direct current. */
  record Open() implements Model {}
}
