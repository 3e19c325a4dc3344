package humble.core.kit;

import java.util.List;
import java.util.Map;

/** The direct-current model of a part. Volts, amperes and ohms as named; pins are pin numbers. */
public sealed interface Model {
  /** A resistance between pins 1 and 2. */
  record Resistor(double ohms) implements Model {}

  /**
   * A junction from pin 2 (anode) to pin 1 (cathode) with {@code vfV} at {@code atMa}; {@code led}
   * makes it shine.
   */
  record Junction(double vfV, double atMa, double n, boolean led) implements Model {}

  /** A junction that also conducts backwards at {@code vzV}. */
  record Zener(double vzV, double atMa) implements Model {}

  /** A bipolar transistor. */
  record Bipolar(boolean npn, double beta, String b, String c, String e) implements Model {}

  /** A field-effect transistor, square law. */
  record Mosfet(boolean nChannel, double vthV, double kAPerV2, String g, String d, String s)
      implements Model {}

  /** A three-terminal regulator. */
  record Regulator(
      double voutV,
      double dropoutV,
      double limitMa,
      double iqMa,
      double thetaJaCPerW,
      String in,
      String gnd,
      String out)
      implements Model {}

  /** A chip that draws current and drives pins; {@code outputsRonOhm} by pin. */
  record Load(String plus, String minus, double ma, double minV, Map<String, Double> outputsRonOhm)
      implements Model {
    private static final double USUAL_OUTPUT_OHM = 25;

    public Load {
      outputsRonOhm = Map.copyOf(outputsRonOhm);
    }

    /** Gives the resistance of an output, in ohms; 25 Ω where the kit says nothing. */
    public double outputOhm(String pin) {
      return outputsRonOhm.getOrDefault(pin, USUAL_OUTPUT_OHM);
    }
  }

  /** Contacts between pairs of pins. */
  record Switch(List<List<String>> poles, boolean closed) implements Model {
    public Switch {
      poles = poles.stream().map(List::copyOf).toList();
    }
  }

  /** A battery, plus at pin 1. */
  record Battery(double vocV, double rintOhm, double mah, double cutoffV) implements Model {}

  /** A potentiometer: pin 2 is the wiper, {@code at} runs from pin 1 (0) to pin 3 (1). */
  record Pot(double ohms, double at) implements Model {}

  /** A piece of wire between pins 1 and 2. */
  record Closed() implements Model {}

  /** Nothing at direct current. */
  record Open() implements Model {}
}
