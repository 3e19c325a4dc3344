package humble.core.kit;

import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/**
 * The kinds of part a kit may list, each with what is true of it: which way round it goes, what its
 * value counts in, what comes of reversing it, what hurts it, and the facts by which the rest of
 * the program asks. A new kind has to answer all of them here.
 */
public enum PartKind {
  RESISTOR(Way.EITHER, "Ω", Harm.HARMLESS, Hurt.NOTHING, Fact.RAISED, Fact.MEASURED, Fact.LASTS),
  RESISTOR_NETWORK(Way.PIN_1, "", Harm.DEAD, Hurt.NOTHING, Fact.MEASURED, Fact.LASTS),
  CAPACITOR(Way.EITHER, "F", Harm.HARMLESS, Hurt.NOTHING, Fact.RAISED, Fact.MEASURED, Fact.LASTS),
  CAPACITOR_POLARISED(
      Way.PLUS_FIRST, "F", Harm.DANGER, Hurt.NOTHING, Fact.RAISED, Fact.MEASURED, Fact.LASTS),
  INDUCTOR(Way.EITHER, "H", Harm.HARMLESS, Hurt.NOTHING, Fact.RAISED, Fact.MEASURED),
  COIL(Way.EITHER, "H", Harm.HARMLESS, Hurt.NOTHING, Fact.MEASURED),
  FERRITE(Way.EITHER, "", Harm.HARMLESS, Hurt.NOTHING),
  DIODE(Way.CATHODE_FIRST, "", Harm.DEAD, Hurt.NOTHING, Fact.RAISED, Fact.NAMED),
  ZENER(Way.CATHODE_FIRST, "V", Harm.DEAD, Hurt.NOTHING, Fact.RAISED),
  LED(Way.CATHODE_FIRST, "", Harm.DEAD, Hurt.HEAT, Fact.RAISED, Fact.POWERED),
  LED_SMART(Way.PIN_1, "", Harm.DAMAGE, Hurt.NOTHING, Fact.POWERED),
  LED_MATRIX(Way.PIN_1, "", Harm.DEAD, Hurt.NOTHING, Fact.POWERED),
  LASER(Way.CATHODE_FIRST, "", Harm.DAMAGE, Hurt.NOTHING, Fact.POWERED),
  TRANSISTOR_NPN(Way.THREE_LEGS, "", Harm.DAMAGE, Hurt.HEAT, Fact.RAISED, Fact.NAMED, Fact.POWERED),
  TRANSISTOR_PNP(Way.THREE_LEGS, "", Harm.DAMAGE, Hurt.HEAT, Fact.RAISED, Fact.NAMED, Fact.POWERED),
  MOSFET_N(
      Way.THREE_LEGS,
      "",
      Harm.DAMAGE,
      Hurt.STATIC,
      Fact.RAISED,
      Fact.NAMED,
      Fact.NEEDS_MODEL,
      Fact.POWERED),
  MOSFET_P(
      Way.THREE_LEGS,
      "",
      Harm.DAMAGE,
      Hurt.STATIC,
      Fact.RAISED,
      Fact.NAMED,
      Fact.NEEDS_MODEL,
      Fact.POWERED),
  REGULATOR(
      Way.THREE_LEGS,
      "V",
      Harm.DAMAGE,
      Hurt.NOTHING,
      Fact.RAISED,
      Fact.NAMED,
      Fact.NEEDS_MODEL,
      Fact.POWERED),
  REFERENCE(
      Way.THREE_LEGS,
      "",
      Harm.DAMAGE,
      Hurt.NOTHING,
      Fact.RAISED,
      Fact.NAMED,
      Fact.NEEDS_MODEL,
      Fact.POWERED),
  IC(Way.PIN_1, "", Harm.DAMAGE, Hurt.STATIC, Fact.NAMED, Fact.NEEDS_MODEL, Fact.POWERED),
  SOCKET(Way.PIN_1, "", Harm.DEAD, Hurt.NOTHING, Fact.MELTS, Fact.PULLED, Fact.LASTS),
  CRYSTAL(Way.EITHER, "Hz", Harm.HARMLESS, Hurt.SHOCK, Fact.MEASURED),
  RESONATOR(Way.EITHER, "", Harm.HARMLESS, Hurt.SHOCK, Fact.MEASURED),
  SWITCH(Way.EITHER, "", Harm.HARMLESS, Hurt.WATER, Fact.MELTS, Fact.PUSHED),
  BUTTON(Way.EITHER, "", Harm.HARMLESS, Hurt.WATER, Fact.MELTS, Fact.PUSHED),
  POTENTIOMETER(Way.EITHER, "Ω", Harm.HARMLESS, Hurt.WATER, Fact.MEASURED, Fact.HANDLED),
  TRIMMER(Way.EITHER, "Ω", Harm.HARMLESS, Hurt.WATER, Fact.MEASURED, Fact.HANDLED),
  ENCODER(Way.EITHER, "", Harm.HARMLESS, Hurt.WATER, Fact.MELTS, Fact.HANDLED),
  JOYSTICK(Way.EITHER, "", Harm.HARMLESS, Hurt.WATER, Fact.MELTS, Fact.HANDLED),
  SENSOR(Way.PIN_1, "", Harm.DAMAGE, Hurt.BOARDED, Fact.POWERED),
  LDR(Way.EITHER, "", Harm.HARMLESS, Hurt.HEAT),
  CONNECTOR(
      Way.EITHER,
      "",
      Harm.HARMLESS,
      Hurt.NOTHING,
      Fact.MELTS,
      Fact.PULLED,
      Fact.LANDMARK,
      Fact.LASTS),
  HEADER(Way.EITHER, "", Harm.HARMLESS, Hurt.NOTHING, Fact.MELTS, Fact.PULLED, Fact.LASTS),
  DISPLAY(Way.PIN_1, "", Harm.DAMAGE, Hurt.GLASS, Fact.NEEDS_MODEL, Fact.POWERED),
  MODULE(Way.PIN_1, "", Harm.DAMAGE, Hurt.BOARDED, Fact.NEEDS_MODEL, Fact.POWERED),
  BUZZER(Way.PLUS_FIRST, "", Harm.DEAD, Hurt.WATER, Fact.LANDMARK, Fact.POWERED),
  SPEAKER(Way.EITHER, "", Harm.HARMLESS, Hurt.WATER, Fact.LANDMARK, Fact.POWERED),
  BATTERY(Way.PLUS_FIRST, "", Harm.DANGER, Hurt.NOTHING, Fact.BESIDE),
  BATTERY_HOLDER(
      Way.PLUS_FIRST, "", Harm.DANGER, Hurt.NOTHING, Fact.MELTS, Fact.LANDMARK, Fact.HANDLED),
  FUSE(Way.EITHER, "", Harm.HARMLESS, Hurt.NOTHING),
  JUMPER(Way.EITHER, "", Harm.HARMLESS, Hurt.NOTHING, Fact.LASTS),
  LINK(Way.EITHER, "", Harm.HARMLESS, Hurt.NOTHING, Fact.LASTS),
  CARD(Way.PIN_1, "", Harm.DAMAGE, Hurt.NOTHING, Fact.BESIDE, Fact.POWERED),
  WIRE(Way.EITHER, "", Harm.HARMLESS, Hurt.NOTHING, Fact.BESIDE, Fact.LASTS),
  MECHANICAL(Way.EITHER, "", Harm.HARMLESS, Hurt.NOTHING, Fact.BESIDE, Fact.LASTS),
  OTHER(Way.EITHER, "", Harm.HARMLESS, Hurt.NOTHING, Fact.BESIDE);

  /** Which way round a part goes. */
  public enum Way {
    /** Either way; what a connector's own marks say stands with its line. */
    EITHER,
    /** Lead 1 is the cathode, lead 2 the anode. */
    CATHODE_FIRST,
    /** Lead 1 is plus, lead 2 minus. */
    PLUS_FIRST,
    /** Three legs decide what it does. */
    THREE_LEGS,
    /** Pin 1 goes to pin 1. */
    PIN_1
  }

  /** Something that is true of some kinds. */
  public enum Fact {
    /** Its plastic melts at a joint held too long. */
    MELTS,
    /** Something is pulled off it: it must sit flush. */
    PULLED,
    /** Fingers push it: it must sit flush. */
    PUSHED,
    /** Hands turn it, or change what it holds: it must sit flush. */
    HANDLED,
    /** Some builders raise it from the board. */
    RAISED,
    /** In a list without places it lies beside the board. */
    BESIDE,
    /** What lists call its value is printed on it. */
    NAMED,
    /** Its value is a quantity. */
    MEASURED,
    /** Without a model of its own the circuit is wrong. */
    NEEDS_MODEL,
    /** It takes current from a supply to do what it does. */
    POWERED,
    /** It does not die of itself. */
    LASTS,
    /** The only one on a board, nobody mistakes it. */
    LANDMARK
  }

  private final Way way;
  private final String unit;
  private final Harm reversed;
  private final Hurt hurt;
  private final Set<Fact> facts;

  PartKind(Way way, String unit, Harm reversed, Hurt hurt, Fact... facts) {
    this.way = way;
    this.unit = unit;
    this.reversed = reversed;
    this.hurt = hurt;
    this.facts = Set.of(facts);
  }

  /** Gives the kind of that name in a kit file, such as {@code capacitor-polarised}. */
  public static Optional<PartKind> named(String name) {
    for (PartKind kind : values()) {
      if (kind.text().equals(name)) {
        return Optional.of(kind);
      }
    }
    return Optional.empty();
  }

  /** Gives the name used in kit files. */
  public String text() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /** Gives which way round it goes. */
  public Way way() {
    return way;
  }

  /** Gives the unit its value counts in; empty where its value is a name. */
  public String unit() {
    return unit;
  }

  /** Gives what comes of fitting it the wrong way round. */
  public Harm reversed() {
    return reversed;
  }

  /** Gives what hurts it. */
  public Hurt hurt() {
    return hurt;
  }

  /** Tells whether a fact is true of it. */
  public boolean is(Fact fact) {
    return facts.contains(fact);
  }

  /** Tells whether lead 1 is the cathode and lead 2 the anode. */
  public boolean isDiode() {
    return way == Way.CATHODE_FIRST;
  }

  /** Tells whether lead 1 is plus and lead 2 minus. */
  public boolean hasPlus() {
    return way == Way.PLUS_FIRST;
  }

  /** Tells whether three legs decide its function, so that it may be reversed. */
  public boolean isThreeLegged() {
    return way == Way.THREE_LEGS;
  }

  /** Tells whether the part has a right way round at all. */
  public boolean isOriented() {
    return way != Way.EITHER;
  }
}
