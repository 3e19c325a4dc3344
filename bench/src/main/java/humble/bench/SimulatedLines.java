package humble.bench;

import humble.core.circuit.DcResult;
import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.Peripheral;
import humble.core.kit.PinRef;
import humble.core.wake.AddressLines;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What parallel lines and address lines of a simulated board carry: one chip drives them, and the
 * levels at the legs of the others are read off the circuit.
 */
public final class SimulatedLines {
  /** From which share of the supply an input takes a level for high: they lie about there. */
  private static final double HIGH_FROM = 0.4;

  private final Parts parts;
  private final SimulatedWake wake;

  SimulatedLines(Parts parts, SimulatedWake wake) {
    this.parts = parts;
    this.wake = wake;
  }

  private record Line(PinRef driver, List<PinRef> read) {}

  private boolean isChip(PinRef pin) {
    return parts.part(pin.ref()).map(Part::model).orElse(null) instanceof Model.Load load
        && !pin.pin().equals(load.plus())
        && !pin.pin().equals(load.minus());
  }

  /**
   * Gives who drives a line and who reads it: named by a pin that pin drives, else the first chip
   * on it that is not {@code reader}; all others read, or {@code reader} alone where one is named.
   */
  private Optional<Line> line(String at, String reader) {
    List<PinRef> chips =
        parts.net(at).stream()
            .flatMap(net -> parts.kit().nets().getOrDefault(net, List.of()).stream())
            .filter(this::isChip)
            .toList();
    Optional<PinRef> named = PinRef.parse(at).flatMap(parts::canonical).filter(chips::contains);
    return named
        .or(() -> chips.stream().filter(pin -> !pin.ref().equals(reader)).findFirst())
        .map(driver ->
            new Line(
                driver,
                chips.stream()
                    .filter(pin -> !pin.ref().equals(driver.ref()))
                    .filter(pin -> reader.isEmpty() || pin.ref().equals(reader))
                    .toList()));
  }

  /** Gives what is read back of each word; empty where a line has nobody who drives it. */
  public Optional<List<Long>> read(Peripheral.Lines lines, List<Long> words, BoardState powered) {
    return carried(lines.on(), "", words, powered);
  }

  /** Gives what stands at each address after all of {@link AddressLines#writes}. */
  public Optional<List<Integer>> marks(Peripheral.Memory memory, BoardState powered) {
    List<AddressLines.Access> writes = AddressLines.writes(memory.on().size());
    return carried(
            memory.on(),
            memory.part(),
            writes.stream().map(AddressLines.Access::address).toList(),
            powered)
        .map(addresses -> {
          Map<Long, Integer> cells = new HashMap<>();
          for (int i = 0; i < writes.size(); i++) {
            cells.put(addresses.get(i), writes.get(i).value());
          }
          return addresses.stream().map(at -> cells.getOrDefault(at, 0)).toList();
        });
  }

  private Optional<List<Long>> carried(
      List<String> on, String reader, List<Long> words, BoardState powered) {
    List<Line> lines = new ArrayList<>();
    for (String at : on) {
      line(at, reader).filter(line -> !line.read().isEmpty()).ifPresent(lines::add);
    }
    if (lines.isEmpty() || lines.size() < on.size()) {
      return Optional.empty();
    }
    List<Long> read = new ArrayList<>();
    for (long word : words) {
      Map<String, String> drive = new HashMap<>();
      for (int bit = 0; bit < lines.size(); bit++) {
        drive.put(lines.get(bit).driver().toString(), isHigh(word, bit) ? "high" : "low");
      }
      DcResult result = wake.solved(powered.withDrive(drive)).orElse(null);
      if (result == null) {
        return Optional.empty();
      }
      read.add(word(lines, word, result));
    }
    return Optional.of(read);
  }

  private static boolean isHigh(long word, int bit) {
    return (word >> bit & 1) == 1;
  }

  /** One reader that sees another level is enough for a wrong bit. */
  private long word(List<Line> lines, long written, DcResult result) {
    long word = 0;
    for (int bit = 0; bit < lines.size(); bit++) {
      Line line = lines.get(bit);
      boolean high = isHigh(written, bit);
      double over = HIGH_FROM * rail(line.driver().ref(), result);
      boolean same =
          line.read().stream().allMatch(pin -> wake.volts(result, pin.toString()) > over == high);
      word |= same == high ? 1L << bit : 0;
    }
    return word;
  }

  private double rail(String ref, DcResult result) {
    return parts.get(ref).model() instanceof Model.Load load
        ? wake.volts(result, ref + "." + load.plus()) - wake.volts(result, ref + "." + load.minus())
        : 0;
  }
}
