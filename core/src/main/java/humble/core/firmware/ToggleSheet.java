package humble.core.firmware;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import java.util.SequencedMap;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;

/**
 * A program as it is toggled in: one row for each address, in their order.
 *
 * @param rows the rows
 */
public record ToggleSheet(List<Row> rows) {
  public ToggleSheet {
    rows = List.copyOf(rows);
  }

  /**
   * One address.
   *
   * @param mnemonic what the listing says of it, comments included; empty where it says nothing
   */
  public record Row(long address, int value, String mnemonic) {
    /** Tells whether a switch is up, from 0 at the right. */
    public boolean isUp(int bit) {
      return (value >> bit & 1) == 1;
    }
  }

  /** What came of reading a text. */
  public sealed interface Read<T> {
    /** It was read. */
    record Whole<T>(T what) implements Read<T> {}

    /** Lines of it cannot be understood: their numbers, from 1, with a sentence each. */
    record Unreadable<T>(SequencedMap<Integer, String> lines) implements Read<T> {}
  }

  /** Gives the sheet of an image. */
  public static ToggleSheet of(ProgramImage image) {
    List<Row> rows = new ArrayList<>();
    for (ProgramImage.Segment segment : image.segments()) {
      for (long at = segment.from(); at <= segment.to(); at++) {
        rows.add(new Row(at, segment.at(at), ""));
      }
    }
    return new ToggleSheet(rows);
  }

  /** Gives so many rows from an address on. */
  public ToggleSheet cut(long from, long count) {
    return new ToggleSheet(
        rows.stream().filter(row -> row.address() >= from).limit(count).toList());
  }

  /**
   * Reads a listing: an address, bytes, then a mnemonic and a comment behind two blanks or a tab.
   * Lines that begin with {@code ;} or {@code #} are remarks.
   */
  public static Read<ToggleSheet> listing(String text, NumberBase base) {
    SequencedMap<Integer, String> bad = new LinkedHashMap<>();
    TreeMap<Long, Row> rows = new TreeMap<>();
    List<String> lines = text.lines().toList();
    for (int i = 0; i < lines.size(); i++) {
      String line = lines.get(i).strip();
      if (!line.isEmpty() && !line.startsWith(";") && !line.startsWith("#")) {
        String trouble = line(line, base, rows);
        if (!trouble.isEmpty()) {
          bad.put(i + 1, trouble);
        }
      }
    }
    return bad.isEmpty()
        ? new Read.Whole<>(new ToggleSheet(List.copyOf(rows.values())))
        : new Read.Unreadable<>(bad);
  }

  private static String line(String line, NumberBase base, Map<Long, Row> rows) {
    // The address ends at a colon or a blank; in split octal it is two numbers.
    String address = base == NumberBase.SPLIT_OCTAL ? "[0-7]{3}[. ]?[0-7]{3}" : "[^\\s:]+";
    java.util.regex.Matcher begin =
        java.util.regex.Pattern.compile("(" + address + ")(?::[ \\t]*|[ \\t]+)(.*)").matcher(line);
    if (!begin.matches()) {
      return "An address and a byte are expected here.";
    }
    OptionalLong at = base.read(begin.group(1));
    if (at.isEmpty()) {
      return "'" + shown(begin.group(1)) + "' is no address in " + base.text() + ".";
    }
    String rest = begin.group(2);
    List<Integer> values = new ArrayList<>();
    int end = 0;
    java.util.regex.Matcher token =
        java.util.regex.Pattern.compile("([^\\s;]+)(\\s*)").matcher(rest);
    while (token.find() && token.start() == end && isByte(token.group(1), base)) {
      values.add((int) base.read(token.group(1)).orElseThrow());
      end = token.end();
      if (token.group(2).length() > 1 || token.group(2).equals("\t")) {
        break;
      }
    }
    if (values.isEmpty()) {
      return "A byte in " + base.text() + " is expected after the address.";
    }
    String mnemonic = rest.substring(end).strip();
    for (int i = 0; i < values.size(); i++) {
      Row row = new Row(at.getAsLong() + i, values.get(i), i == 0 ? mnemonic : "");
      Row was = rows.put(row.address(), row);
      if (was != null && was.value() != row.value()) {
        return "Another byte was given for this address before.";
      }
    }
    return "";
  }

  private static boolean isByte(String text, NumberBase base) {
    OptionalLong value = base.read(text);
    return text.length() == base.digits() && value.isPresent() && value.getAsLong() <= 0xff;
  }

  /** A byte that is not what was toggled in. */
  public record Differs(Row row, int read) {
    /** Gives the switches that stand otherwise, from 0 at the right. */
    public List<Integer> switches() {
      List<Integer> all = new ArrayList<>();
      for (int bit = 0; bit < 8; bit++) {
        if ((row.value() >> bit & 1) != (read >> bit & 1)) {
          all.add(bit);
        }
      }
      return all;
    }
  }

  /** What was read back: bytes by address. */
  public record ReadBack(Map<Long, Integer> bytes) {
    public ReadBack {
      bytes = Map.copyOf(bytes);
    }
  }

  /** Gives the rows that read otherwise. */
  public List<Differs> differing(ReadBack read) {
    List<Differs> all = new ArrayList<>();
    for (Row row : rows) {
      Integer byteRead = read.bytes().get(row.address());
      if (byteRead != null && byteRead != row.value()) {
        all.add(new Differs(row, byteRead));
      }
    }
    return all;
  }

  /** Gives the rows that nobody read. */
  public List<Row> unread(ReadBack read) {
    return rows.stream().filter(row -> !read.bytes().containsKey(row.address())).toList();
  }

  /** Gives the addresses that were read and are of no row. */
  public List<Long> beyond(ReadBack read) {
    Set<Long> own = rows.stream().map(Row::address).collect(Collectors.toSet());
    return read.bytes().keySet().stream().filter(at -> !own.contains(at)).sorted().toList();
  }

  /**
   * Reads what was read back: lines of a byte, in the order of the sheet, or of an address and a
   * byte.
   */
  public Read<ReadBack> readBack(String text, NumberBase base) {
    SequencedMap<Integer, String> bad = new LinkedHashMap<>();
    Map<Long, Integer> bytes = new LinkedHashMap<>();
    int next = 0;
    List<String> lines = text.lines().toList();
    for (int i = 0; i < lines.size(); i++) {
      String line = lines.get(i).replaceFirst("[;#].*", "").strip();
      if (line.isEmpty()) {
        continue;
      }
      int blank =
          Math.max(line.lastIndexOf(' '), Math.max(line.lastIndexOf('\t'), line.lastIndexOf(':')));
      OptionalLong value = base.read(line.substring(blank + 1));
      String before = blank < 0 ? "" : line.substring(0, blank).replaceFirst(":$", "").strip();
      OptionalLong at =
          before.isEmpty()
              ? next < rows.size()
                  ? OptionalLong.of(rows.get(next).address())
                  : OptionalLong.empty()
              : base.read(before);
      if (value.isEmpty() || value.getAsLong() > 0xff) {
        bad.put(
            i + 1, "'" + shown(line.substring(blank + 1)) + "' is no byte in " + base.text() + ".");
      } else if (at.isEmpty()) {
        bad.put(
            i + 1,
            before.isEmpty()
                ? "The sheet has only " + rows.size() + " rows."
                : "'" + shown(before) + "' is no address in " + base.text() + ".");
      } else {
        bytes.put(at.getAsLong(), (int) value.getAsLong());
        next = indexAfter(at.getAsLong());
      }
    }
    return bad.isEmpty() ? new Read.Whole<>(new ReadBack(bytes)) : new Read.Unreadable<>(bad);
  }

  private int indexAfter(long address) {
    int low = 0;
    int high = rows.size();
    while (low < high) {
      int middle = (low + high) >>> 1;
      if (rows.get(middle).address() <= address) {
        low = middle + 1;
      } else {
        high = middle;
      }
    }
    return low;
  }

  private static String shown(String text) {
    return text.length() > 24 ? text.substring(0, 24) + "…" : text;
  }
}
