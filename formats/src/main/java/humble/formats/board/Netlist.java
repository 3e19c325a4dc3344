package humble.formats.board;

import humble.core.budget.Budget;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import humble.formats.ReadingBudget;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SequencedMap;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * Reads the test records of an IPC-D-356 netlist: which pin is on which net, where its pad is and
 * from which side it can be reached.
 *
 * @param pins pins in the order of the file
 */
public record Netlist(List<Pin> pins) {
  private static final double INCH_MM = 25.4;

  /** Records have 80 columns; what stands behind them says nothing here. */
  private static final int LONGEST_RECORD = 200;

  public Netlist {
    pins = List.copyOf(pins);
  }

  /**
   * One pin.
   *
   * @param ref component
   * @param pin its pin
   * @param net net, empty for a pin on none
   * @param at pad, in millimetres
   * @param side side it is reached from; null when from both, as through holes are
   */
  public record Pin(String ref, String pin, String net, PointMm at, @Nullable Side side) {}

  /** Reads a netlist with the usual budget. */
  public static Netlist read(String file, byte[] bytes) throws BoardFileDamage {
    return read(file, bytes, ReadingBudget.usual());
  }

  /**
   * Reads a netlist.
   *
   * @param file name for messages
   * @param bytes the file
   * @param budget what its pins and names come out of
   * @throws BoardFileDamage with file and line, at the first record that cannot be read, or where
   *     the budget was spent
   */
  public static Netlist read(String file, byte[] bytes, Budget budget) throws BoardFileDamage {
    Reading reading = new Reading(file, budget);
    BoardLines.each(
        file,
        bytes,
        budget,
        "The netlist ends without its record 999: it was cut off.",
        (line, number) -> {
          reading.line(line, number);
          return reading.ended;
        });
    return new Netlist(reading.pins);
  }

  /** What was read so far, and how lengths and names are written. */
  private static final class Reading {
    private final String file;
    private final Budget budget;
    private final List<Pin> pins = new ArrayList<>();
    private final Map<String, String> names = new LinkedHashMap<>();
    private double unit = INCH_MM / 10_000;
    private boolean ended;

    Reading(String file, Budget budget) {
      this.file = file;
      this.budget = budget;
    }

    void line(String line, int number) throws BoardFileDamage {
      if (line.startsWith("999")) {
        ended = true;
      } else if (line.startsWith("P ")) {
        parameter(line.substring(1).strip());
      } else if (line.startsWith("317") || line.startsWith("327")) {
        Pin pin = pin(file, number, line, unit, names);
        if (!pin.ref().equals("VIA")) {
          budget.items(2);
          pins.add(pin);
        }
      }
    }

    private void parameter(String rest) {
      if (rest.startsWith("UNITS")) {
        unit = rest.contains("CUST 1") ? 0.001 : INCH_MM / 10_000;
      } else if (rest.startsWith("NNAME")) {
        String[] parts = rest.split("\\s+", 3);
        if (parts.length > 1) {
          budget.items(2);
          names.put(parts[0], parts[1]);
        }
      }
    }
  }

  private static Pin pin(
      String file, int number, String line, double unit, Map<String, String> names)
      throws BoardFileDamage {
    String padded = line.substring(0, Math.min(line.length(), LONGEST_RECORD)) + " ".repeat(80);
    String name = padded.substring(3, 17).strip();
    String ref = padded.substring(20, 26).strip();
    String pin = padded.substring(27, 31).strip();
    int access = digits(padded.substring(39, 41));
    int xAt = padded.indexOf('X', 40);
    int yAt = padded.indexOf('Y', 40);
    if (ref.isEmpty() || xAt < 0 || yAt < 0) {
      throw new BoardFileDamage(file, number, "A test record lacks its component or its place.");
    }
    double x = signed(file, number, padded.substring(xAt + 1, xAt + 8)) * unit;
    double y = signed(file, number, padded.substring(yAt + 1, yAt + 8)) * unit;
    String net = name.equals("N/C") ? "" : names.getOrDefault(name, name);
    boolean through = line.startsWith("317");
    Side side = through || access == 0 ? null : access == 1 ? Side.TOP : Side.BOTTOM;
    return new Pin(ref, pin, net, new PointMm(x, y), side);
  }

  private static int digits(String text) {
    String digits = text.strip();
    return digits.matches("[0-9]{1,2}") ? Integer.parseInt(digits) : 0;
  }

  private static double signed(String file, int number, String text) throws BoardFileDamage {
    String plain = text.strip();
    if (!plain.matches("[+-]?[0-9]{1,7}")) {
      throw new BoardFileDamage(file, number, "'" + text + "' is no coordinate.");
    }
    return Double.parseDouble(plain);
  }

  /** Gives the nets, each with its pins as {@code REF.PIN}, in natural order of their names. */
  public SequencedMap<String, List<String>> nets() {
    SequencedMap<String, List<String>> nets = new TreeMap<>(humble.core.kit.RefOrder.NATURAL);
    for (Pin pin : pins) {
      if (!pin.net().isEmpty()) {
        nets.computeIfAbsent(pin.net(), net -> new ArrayList<>()).add(pin.ref() + "." + pin.pin());
      }
    }
    return nets;
  }
}
