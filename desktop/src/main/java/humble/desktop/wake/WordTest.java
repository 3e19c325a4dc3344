package humble.desktop.wake;

import humble.bench.SimulatedLines;
import humble.core.kit.BoardState;
import humble.core.kit.Peripheral;
import humble.core.wake.AddressLines;
import humble.core.wake.ParallelLines;
import humble.desktop.hand.Seat;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * Words that are written, read back and judged together.
 *
 * @param kind what its words begin with after {@code wake.}
 * @param names the lines, bit 0 first
 * @param first whether all are written before the first is read
 */
record WordTest(
    Peripheral peripheral, String kind, List<String> names, List<Access> accesses, boolean first) {
  /**
   * One word.
   *
   * @param at where it is written, empty where there is one place only
   * @param word what is written
   */
  record Access(String at, long word) {}

  /** What the words that were read mean. */
  record Judged(boolean good, List<String> rows) {}

  static Optional<WordTest> of(Peripheral peripheral) {
    return switch (peripheral) {
      case Peripheral.Lines lines when lines.width() >= 2 && lines.width() <= 32 ->
          Optional.of(
              new WordTest(
                  lines,
                  "lines",
                  names(lines.on(), lines.width()),
                  ParallelLines.walking(lines.width()).stream()
                      .map(word -> new Access("", word))
                      .toList(),
                  false));
      case Peripheral.Memory memory when !memory.on().isEmpty() ->
          Optional.of(
              new WordTest(
                  memory,
                  "memory",
                  memory.on(),
                  AddressLines.writes(memory.on().size()).stream()
                      .map(
                          each -> new Access(hex(each.address(), memory.on().size()), each.value()))
                      .toList(),
                  true));
      default -> Optional.empty();
    };
  }

  private static List<String> names(List<String> on, int width) {
    List<String> names = new ArrayList<>();
    for (int bit = 0; bit < width; bit++) {
      names.add(bit < on.size() ? on.get(bit) : Integer.toString(bit));
    }
    return names;
  }

  private static String hex(long word, int bits) {
    return String.format(Locale.ROOT, "%0" + (bits + 3) / 4 + "x", word);
  }

  /** Gives a word as it is written down. */
  String shown(long word) {
    return hex(word, bits());
  }

  /** How many bits a word has that is written and read. */
  int bits() {
    return first ? 8 : names.size();
  }

  /** Gives what the simulated board reads; empty where nobody drives the lines. */
  Optional<List<Long>> simulated(SimulatedLines lines, BoardState powered) {
    return switch (peripheral) {
      case Peripheral.Lines each ->
          lines.read(each, accesses.stream().map(Access::word).toList(), powered);
      case Peripheral.Memory each ->
          lines.marks(each, powered).map(marks -> marks.stream().map(Integer::longValue).toList());
      default -> Optional.empty();
    };
  }

  Judged judge(Seat seat, List<Long> read) {
    List<String> rows = first ? memory(seat, read) : lines(seat, read);
    return new Judged(rows.isEmpty(), rows);
  }

  private List<String> lines(Seat seat, List<Long> read) {
    List<Long> wrote = accesses.stream().map(Access::word).toList();
    return new ParallelLines(names.size(), wrote, read.stream().map(List::of).toList())
        .lines().stream()
            .filter(line -> !(line.state() instanceof ParallelLines.Good))
            .map(line -> state(seat, names.get(line.bit()), line))
            .toList();
  }

  private String state(Seat seat, String name, ParallelLines.Line line) {
    return switch (line.state()) {
      case ParallelLines.Good s -> "";
      case ParallelLines.Untested s -> seat.say("wake.lines.untested", name);
      case ParallelLines.Stuck s ->
          seat.say(s.high() ? "wake.lines.stuck1" : "wake.lines.stuck0", name);
      case ParallelLines.Flickers s ->
          seat.say("wake.lines.flickers", name, Math.round(line.rate() * 100));
      case ParallelLines.Swapped s -> seat.say("wake.lines.swapped", name, names.get(s.bit()));
      case ParallelLines.Joined s -> seat.say("wake.lines.joined", name, names.get(s.bit()));
    };
  }

  /** Tells whether bits that stand at one level, whatever the address, account for all of it. */
  private static boolean isData(List<AddressLines.Access> writes, List<Long> read) {
    long ever = 0;
    long always = 0xff;
    for (long each : read) {
      ever |= each;
      always &= each;
    }
    for (int i = 0; i < writes.size(); i++) {
      if ((writes.get(i).value() & ever | always) != read.get(i)) {
        return false;
      }
    }
    return true;
  }

  private List<String> memory(Seat seat, List<Long> read) {
    Map<Long, Integer> cells = new HashMap<>();
    List<AddressLines.Access> writes = AddressLines.writes(names.size());
    boolean right = true;
    for (int i = 0; i < writes.size(); i++) {
      cells.put(writes.get(i).address(), read.get(i).intValue());
      right &= read.get(i) == writes.get(i).value();
    }
    List<String> rows = new ArrayList<>();
    if (!right && isData(writes, read)) {
      return List.of(seat.say("wake.memory.data"));
    }
    AddressLines.wrong(names.size(), at -> cells.getOrDefault(at, -1))
        .forEach(wrong ->
            rows.add(
                wrong.joinedTo().isPresent()
                    ? seat.say(
                        "wake.memory.joined",
                        names.get(wrong.line()),
                        names.get(wrong.joinedTo().getAsInt()))
                    : seat.say("wake.memory.dead", names.get(wrong.line()))));
    if (rows.isEmpty() && !right) {
      rows.add(seat.say("wake.memory.data"));
    }
    return rows;
  }
}
