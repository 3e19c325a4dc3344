package humble.core.kit;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What comes of fitting a part the wrong way round. */
public enum Harm {
  HARMLESS,
  DEAD,
  DAMAGE,
  DANGER;

  /** Gives what comes of reversing {@code part}. */
  public static Harm ifReversed(Part part) {
    PartKind kind = part.line().kind();
    if (part.line().particulars().unpolarised()) {
      return HARMLESS;
    }
    // A buzzer that is a coil alone sounds either way.
    return kind == PartKind.BUZZER && part.model() instanceof Model.Resistor
        ? HARMLESS
        : kind.reversed();
  }

  /**
   * Gives what comes of reversing {@code part} where the nets of its pins are known: what is keyed
   * and brings a supply to where something else belongs does damage, whatever its kind.
   */
  public static Harm ifReversed(Parts parts, Part part) {
    Harm ofKind = ifReversed(part);
    boolean keyed =
        !part.line().polarityMarks().isEmpty() && !part.line().particulars().unpolarised();
    return ofKind == HARMLESS
            && keyed
            && part.line().kind() != PartKind.BUZZER
            && bringsSupplyElsewhere(parts, part)
        ? DAMAGE
        : ofKind;
  }

  private static boolean bringsSupplyElsewhere(Parts parts, Part part) {
    Set<String> fed = fed(parts);
    List<PackagePin> pins = part.pack().pins();
    for (int i = 0; i < pins.size(); i++) {
      Optional<String> here = parts.netOf(new PinRef(part.ref(), pins.get(i).number()));
      Optional<String> there =
          parts.netOf(new PinRef(part.ref(), pins.get(pins.size() - 1 - i).number()));
      if (here.filter(fed::contains).isPresent() && !here.equals(there)) {
        return true;
      }
    }
    return false;
  }

  /** Nets that a supply, a battery or a regulator feeds. */
  private static Set<String> fed(Parts parts) {
    Set<String> fed = new HashSet<>();
    parts.kit().supplies().forEach(supply -> parts.net(supply.plus()).ifPresent(fed::add));
    for (Part each : parts.all()) {
      String pin =
          switch (each.model()) {
            case Model.Regulator m -> m.out();
            case Model.Load m -> m.plus();
            case Model.Battery m -> "1";
            case Model.Resistor m -> "";
            case Model.Junction m -> "";
            case Model.Zener m -> "";
            case Model.Bipolar m -> "";
            case Model.Mosfet m -> "";
            case Model.Switch m -> "";
            case Model.Pot m -> "";
            case Model.Closed m -> "";
            case Model.Open m -> "";
          };
      parts.netOf(new PinRef(each.ref(), pin)).ifPresent(fed::add);
    }
    return fed;
  }

  /** Tells whether a second, different mark is asked for before the step is done. */
  public boolean needsTwoMarks() {
    return this == DAMAGE || this == DANGER;
  }
}
