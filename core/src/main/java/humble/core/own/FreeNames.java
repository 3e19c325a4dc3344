package humble.core.own;

import humble.core.kit.Kit;
import humble.core.kit.Line;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Names for the parts of a line that the list does not name: the usual letters, free numbers. */
public final class FreeNames {
  private FreeNames() {}

  /** Gives one name for each piece that is supplied. */
  public static List<String> of(Kit kit, Line line) {
    Set<String> taken = new HashSet<>();
    kit.lines().forEach(each -> taken.addAll(each.refs()));
    List<String> names = new ArrayList<>();
    for (int number = 1; names.size() < line.supplied(); number++) {
      String name = letters(line) + number;
      if (taken.add(name)) {
        names.add(name);
      }
    }
    return names;
  }

  private static String letters(Line line) {
    return switch (line.kind()) {
      case RESISTOR, LDR -> "R";
      case RESISTOR_NETWORK -> "RN";
      case CAPACITOR, CAPACITOR_POLARISED -> "C";
      case INDUCTOR, COIL, FERRITE -> "L";
      case DIODE, ZENER -> "D";
      case LED, LED_SMART, LED_MATRIX -> "LED";
      case LASER -> "LD";
      case TRANSISTOR_NPN, TRANSISTOR_PNP, MOSFET_N, MOSFET_P -> "Q";
      case REGULATOR, REFERENCE, IC -> "U";
      case SOCKET -> "SK";
      case CRYSTAL, RESONATOR -> "Y";
      case SWITCH, BUTTON, JOYSTICK, ENCODER -> "S";
      case POTENTIOMETER, TRIMMER -> "RV";
      case CONNECTOR, HEADER -> "J";
      case DISPLAY -> "DISP";
      case MODULE, SENSOR, CARD -> "M";
      case BUZZER, SPEAKER -> "BZ";
      case BATTERY, BATTERY_HOLDER -> "BT";
      case FUSE -> "F";
      case JUMPER, LINK -> "JP";
      case WIRE, MECHANICAL, OTHER -> "X";
    };
  }
}
