package humble.core.kit;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The built-in packages. Positions are in the zero orientation, in millimetres from the middle of
 * the pattern.
 */
public final class PackageLibrary {
  private static final double PITCH = 2.54;
  private static final int MOST_PINS = 200;
  private static final Pattern DUAL = Pattern.compile("(socket-)?dip-(\\d{1,3})(-wide)?");
  private static final Pattern LINE =
      Pattern.compile("(sip-|header-1x|receptacle-1x|terminal-)(\\d{1,3})");
  private static final Pattern TWO_ROWS = Pattern.compile("header-2x(\\d{1,3})");

  /** Two-lead packages: height, half the span. */
  private static final Map<String, double[]> TWO_LEADS =
      Map.ofEntries(
          Map.entry("axial-quarter-watt", new double[] {2.5, 5.08}),
          Map.entry("axial-half-watt", new double[] {3.5, 6.35}),
          Map.entry("axial-small-glass", new double[] {2.0, 3.81}),
          Map.entry("axial-power-diode", new double[] {2.8, 5.08}),
          Map.entry("disc-2.5", new double[] {4.5, 1.25}),
          Map.entry("disc-5", new double[] {5.0, 2.5}),
          Map.entry("film-5", new double[] {7, 2.5}),
          Map.entry("radial-5x11", new double[] {11, 1.0}),
          Map.entry("radial-6x11", new double[] {11, 1.25}),
          Map.entry("radial-8x12", new double[] {12, 1.75}),
          Map.entry("radial-10x16", new double[] {16, 2.5}),
          Map.entry("bead", new double[] {7, 1.27}),
          Map.entry("led-3", new double[] {5.3, 1.27}),
          Map.entry("led-5", new double[] {8.7, 1.27}),
          Map.entry("crystal-tall", new double[] {13.5, 2.45}),
          Map.entry("crystal-low", new double[] {3.5, 2.45}));

  private PackageLibrary() {}

  /** Gives the built-in package {@code id}, such as {@code header-1x14}. */
  public static Optional<PartPackage> find(String id) {
    double[] two = TWO_LEADS.get(id);
    if (two != null) {
      return Optional.of(row(id, two[0], 2, 2 * two[1], LeadClass.THIN));
    }
    return switch (id) {
      case "half-round-3" -> Optional.of(row(id, 5.2, 3, PITCH, LeadClass.THIN));
      case "tab-3-upright" -> Optional.of(row(id, 19, 3, PITCH, LeadClass.TAB));
      case "tab-3-lying" -> Optional.of(row(id, 4.6, 3, PITCH, LeadClass.TAB));
      case "slide-3" -> Optional.of(row(id, 6.0, 3, PITCH, LeadClass.PIN));
      case "toggle-panel" -> Optional.of(row(id, 20, 3, 4.7, LeadClass.TAB));
      case "trimmer-6" -> Optional.of(row(id, 7.0, 3, PITCH, LeadClass.PIN));
      case "pot-9" -> Optional.of(row(id, 12, 3, 2.5, LeadClass.PIN));
      case "buzzer-12" -> Optional.of(row(id, 9.5, 2, 7.6, LeadClass.PIN));
      case "coin-holder" -> Optional.of(row(id, 6.0, 2, 20, LeadClass.TAB));
      case "usb-edge" -> Optional.of(row(id, 3.2, 4, 2.5, LeadClass.SMD));
      case "card-slot" -> Optional.of(row(id, 2.0, 9, 2.5, LeadClass.SMD));
      case "jack-barrel" ->
          Optional.of(
              new PartPackage(id, 11, pins(new double[][] {{0, 3}, {0, -3}}), LeadClass.TAB));
      case "tact-6" ->
          Optional.of(
              new PartPackage(
                  id,
                  5.0,
                  pins(new double[][] {{-3.25, 2.25}, {3.25, 2.25}, {-3.25, -2.25}, {3.25, -2.25}}),
                  LeadClass.PIN));
      default -> patterned(id);
    };
  }

  private static Optional<PartPackage> patterned(String id) {
    Matcher dual = DUAL.matcher(id);
    if (dual.matches()) {
      int count = Integer.parseInt(dual.group(2));
      return count % 2 == 0 && inRange(count)
          ? Optional.of(dual(id, count, dual.group(1) != null, dual.group(3) != null))
          : Optional.empty();
    }
    Matcher line = LINE.matcher(id);
    if (line.matches() && inRange(Integer.parseInt(line.group(2)))) {
      int count = Integer.parseInt(line.group(2));
      return Optional.of(
          switch (line.group(1)) {
            case "sip-" -> row(id, 5.5, count, PITCH, LeadClass.PIN);
            case "terminal-" -> row(id, 10, count, 5.0, LeadClass.TAB);
            default -> row(id, 8.5, count, PITCH, LeadClass.PIN);
          });
    }
    Matcher rows = TWO_ROWS.matcher(id);
    if (rows.matches() && inRange(Integer.parseInt(rows.group(1)))) {
      return Optional.of(zigzag(id, Integer.parseInt(rows.group(1))));
    }
    return Optional.empty();
  }

  private static boolean inRange(int count) {
    return count > 0 && count <= MOST_PINS;
  }

  private static PartPackage row(
      String id, double heightMm, int count, double pitchMm, LeadClass lead) {
    double[][] at = new double[count][];
    for (int i = 0; i < count; i++) {
      at[i] = new double[] {(i - (count - 1) / 2.0) * pitchMm, 0};
    }
    return new PartPackage(id, heightMm, pins(at), lead);
  }

  private static PartPackage dual(String id, int count, boolean socket, boolean wide) {
    int half = count / 2;
    double x = wide ? 7.62 : 3.81;
    double[][] at = new double[count][];
    for (int i = 0; i < half; i++) {
      double y = (half - 1) * PITCH / 2 - i * PITCH;
      at[i] = new double[] {-x, y};
      at[count - 1 - i] = new double[] {x, y};
    }
    return new PartPackage(id, socket ? 4.5 : 4.0, pins(at), LeadClass.PIN);
  }

  private static PartPackage zigzag(String id, int columns) {
    double[][] at = new double[2 * columns][];
    for (int i = 0; i < columns; i++) {
      double x = (i - (columns - 1) / 2.0) * PITCH;
      at[2 * i] = new double[] {x, PITCH / 2};
      at[2 * i + 1] = new double[] {x, -PITCH / 2};
    }
    return new PartPackage(id, 8.5, pins(at), LeadClass.PIN);
  }

  private static List<PackagePin> pins(double[][] at) {
    List<PackagePin> pins = new ArrayList<>();
    for (int i = 0; i < at.length; i++) {
      pins.add(new PackagePin(Integer.toString(i + 1), new PointMm(at[i][0], at[i][1])));
    }
    return pins;
  }
}
