package humble.core.kit;

import humble.core.words.Phrase;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What people call a package: {@code dip-28-wide} is a chip of 28 pins, wide. */
public final class PackageWords {
  private static final Pattern COUNTED =
      Pattern.compile(
          "(dip|socket-dip|sip|terminal|header-1x|header-2x|receptacle-1x)-?([0-9]{1,3})(-wide)?");
  private static final Pattern CAN = Pattern.compile("radial-([0-9]{1,2})x([0-9]{1,2})");
  private static final Set<String> NAMED =
      Set.of(
          "axial-quarter-watt",
          "axial-half-watt",
          "axial-small-glass",
          "axial-power-diode",
          "disc-2.5",
          "disc-5",
          "film-5",
          "bead",
          "half-round-3",
          "tab-3-upright",
          "tab-3-lying",
          "led-3",
          "led-5",
          "crystal-tall",
          "crystal-low",
          "tact-6",
          "slide-3",
          "toggle-panel",
          "trimmer-6",
          "pot-9",
          "buzzer-12",
          "jack-barrel",
          "usb-edge",
          "coin-holder",
          "card-slot");

  private PackageWords() {}

  /** Gives the words for a package; one of a kit's own is called by its name. */
  public static Phrase of(String id) {
    Matcher counted = COUNTED.matcher(id);
    if (counted.matches()) {
      int number = Integer.parseInt(counted.group(2));
      String key = "package." + counted.group(1).replace("-1x", "").replace("-2x", "-two-rows");
      int pins = counted.group(1).equals("header-2x") ? 2 * number : number;
      return Phrase.of(counted.group(3) == null ? key : key + "-wide", pins);
    }
    Matcher can = CAN.matcher(id);
    if (can.matches()) {
      return Phrase.of(
          "package.radial", Integer.parseInt(can.group(1)), Integer.parseInt(can.group(2)));
    }
    return NAMED.contains(id) ? Phrase.of("package." + id) : Phrase.of("package.own", id);
  }
}
