package humble.formats.kit;

import humble.core.kit.Model;
import humble.core.kit.NameRule;
import humble.core.units.Band;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;

/**
 * A place in a JSON tree that is read key by key; every wrong type becomes a finding and a harmless
 * value, so that reading goes on and later places keep their numbers. Keys that nobody asked for
 * are reported by {@link #noteUnread}.
 */
final class Cursor {
  private static final double LARGEST = 1e15;

  private final @Nullable JsonNode node;
  private final String pointer;
  private final Findings findings;
  private final Set<String> asked = new HashSet<>();

  Cursor(@Nullable JsonNode node, String pointer, Findings findings) {
    this.node = node;
    this.pointer = pointer;
    this.findings = findings;
    if (node != null && !node.isObject()) {
      findings.error(pointer, "An object is expected here.");
    }
  }

  String pointer() {
    return pointer;
  }

  void error(String key, String text) {
    findings.error(key.isEmpty() ? pointer : pointer + "/" + escape(key), text);
  }

  private Optional<JsonNode> at(String key) {
    asked.add(key);
    if (node == null || !node.isObject()) {
      return Optional.empty();
    }
    JsonNode child = node.get(key);
    return child == null || child.isNull() ? Optional.empty() : Optional.of(child);
  }

  boolean has(String key) {
    return at(key).isPresent();
  }

  /** Tells whether a text stands there. */
  boolean isText(String key) {
    return at(key).filter(JsonNode::isString).isPresent();
  }

  /** Marks keys as known although nothing here reads them yet. */
  void known(String... keys) {
    asked.addAll(List.of(keys));
  }

  String text(String key) {
    return maybeText(key).orElse("");
  }

  Optional<String> maybeText(String key) {
    return at(key)
        .flatMap(child -> {
          if (child.isString()) {
            return Optional.of(child.stringValue());
          }
          error(key, "A text is expected here.");
          return Optional.<String>empty();
        });
  }

  String needText(String key) {
    if (!has(key)) {
      error(key, "'" + key + "' is missing.");
    }
    return text(key);
  }

  /** Takes a word for one of a few, called {@code what}; another is an error that names them. */
  <T> Optional<T> code(
      String key,
      String what,
      String text,
      Function<String, Optional<T>> named,
      List<String> names) {
    Optional<T> code = named.apply(text);
    if (code.isEmpty()) {
      String all = String.join(", ", names);
      error(key, "There is no " + what + " '" + text + "'. It is one of: " + all + ".");
    }
    return code;
  }

  /** Reads an id; what an id may hold stands in {@link NameRule}. */
  String needId(String key) {
    String id = needText(key);
    if (has(key)) {
      NameRule.id(id).ifPresent(objection -> error(key, objection.text()));
    }
    return id;
  }

  double number(String key, double otherwise) {
    Double value = maybeNumber(key);
    return value == null ? otherwise : value;
  }

  @Nullable Double maybeNumber(String key) {
    JsonNode child = at(key).orElse(null);
    if (child == null) {
      return null;
    }
    double value = value(child);
    if (Math.abs(value) <= LARGEST) {
      return value;
    }
    error(key, "A number is expected here.");
    return null;
  }

  /** Gives a number; NaN for what is none, or does not fit into a double. */
  private static double value(JsonNode node) {
    if (!node.isNumber()) {
      return Double.NaN;
    }
    try {
      double value = node.doubleValue();
      return Double.isFinite(value) ? value : Double.NaN;
    } catch (JacksonException e) {
      // The library converts nothing that would lose its size.
      return Double.NaN;
    }
  }

  double needNumber(String key) {
    if (!has(key)) {
      error(key, "'" + key + "' is missing.");
    }
    return number(key, 0);
  }

  /** Reads a number of at least {@code least}. */
  double numberFrom(String key, double least, double otherwise) {
    double value = number(key, otherwise);
    if (value < least) {
      error(
          key,
          "It must be at least "
              + (least == Math.rint(least) ? Long.toString((long) least) : least)
              + ".");
      return otherwise;
    }
    return value;
  }

  int whole(String key, int otherwise) {
    double value = number(key, otherwise);
    if (value != Math.rint(value) || value < 0 || value > 1_000_000) {
      error(key, "A whole number from 0 to 1000000 is expected here.");
      return otherwise;
    }
    return (int) value;
  }

  boolean flag(String key, boolean otherwise) {
    return at(key)
        .map(child -> {
          if (!child.isBoolean()) {
            error(key, "true or false is expected here.");
            return otherwise;
          }
          return child.booleanValue();
        })
        .orElse(otherwise);
  }

  /** Reads an address or size: a number, or a string such as {@code "0x7e00"}. */
  @Nullable Long address(String key) {
    JsonNode child = at(key).orElse(null);
    if (child == null) {
      return null;
    }
    try {
      long value =
          child.isString()
              ? Long.decode(child.stringValue())
              : child.isIntegralNumber() && child.canConvertToLong() ? child.longValue() : -1;
      if (value >= 0 && value <= 0xffff_ffffL) {
        return value;
      }
    } catch (NumberFormatException e) {
      // Falls through to the one sentence below: what was written is no address.
    }
    error(key, "An address from 0 to 0xffffffff is expected here.");
    return null;
  }

  List<String> texts(String key) {
    return elements(
        key,
        (child, where) -> {
          if (!child.isString()) {
            findings.error(where, "A text is expected here.");
            return "";
          }
          return child.stringValue();
        });
  }

  /** Reads addresses, each a number or a text such as {@code 0x3c}; −1 stands for what is none. */
  List<Long> addresses(String key) {
    return elements(
        key,
        (child, where) -> {
          double value = child.isString() ? decoded(child.stringValue()) : value(child);
          if (Double.isNaN(value) || value != Math.rint(value)) {
            findings.error(where, "An address is expected here, such as 0x3c.");
            return -1L;
          }
          return (long) value;
        });
  }

  private static double decoded(String text) {
    return text.matches("0[xX][0-9a-fA-F]{1,8}")
        ? Long.parseLong(text.substring(2), 16)
        : text.matches("[0-9]{1,9}") ? Long.parseLong(text) : Double.NaN;
  }

  /** Reads settings: a word or a number by name, kept as it is written. */
  Map<String, String> settings(String key) {
    return child(key)
        .map(c ->
            c.every(name -> {
              JsonNode value = c.at(name).orElse(null);
              if (value != null && (value.isString() || value.isNumber() || value.isBoolean())) {
                return value.asString();
              }
              c.error(name, "A word or a number is expected here.");
              return "";
            }))
        .orElse(Map.of());
  }

  List<Double> numbers(String key) {
    return elements(
        key,
        (child, where) -> {
          double value = value(child);
          if (Double.isNaN(value)) {
            findings.error(where, "A number is expected here.");
            return 0.0;
          }
          return value;
        });
  }

  /** Gives a range of two numbers, the lower first; anything else is an error. */
  Optional<Band> pair(String key) {
    List<Double> range = numbers(key);
    boolean good = range.size() == 2 && range.get(0) <= range.get(1);
    if (has(key) && !good) {
      error(key, "A range is two numbers, the lower first.");
    }
    return good ? Optional.of(new Band(range.get(0), range.get(1))) : Optional.empty();
  }

  List<List<String>> textPairs(String key) {
    return elements(
        key,
        (child, where) -> {
          List<String> pair = new ArrayList<>();
          if (child.isArray()) {
            child.forEach(each -> pair.add(each.isString() ? each.stringValue() : ""));
          }
          if (pair.size() != 2 || pair.contains("")) {
            findings.error(where, "Two texts are expected here.");
            return List.of("", "");
          }
          return pair;
        });
  }

  /** Reads tracks of potentiometers, three pins each; the usual one where nothing is said. */
  List<List<String>> textTriples(String key) {
    List<List<String>> tracks =
        elements(
            key,
            (child, where) -> {
              List<String> pins = new ArrayList<>();
              if (child.isArray()) {
                child.forEach(each -> pins.add(each.isString() ? each.stringValue() : ""));
              }
              if (pins.size() != 3 || pins.contains("")) {
                findings.error(where, "Three pins are expected here: end, wiper, end.");
                return List.of("1", "2", "3");
              }
              return pins;
            });
    return tracks.isEmpty() ? Model.Pot.ONE : tracks;
  }

  List<double[]> points(String key) {
    return elements(
        key,
        (child, where) -> {
          boolean pair = child.isArray() && child.size() == 2;
          double x = pair ? value(child.get(0)) : Double.NaN;
          double y = pair ? value(child.get(1)) : Double.NaN;
          if (Double.isNaN(x) || Double.isNaN(y)) {
            findings.error(where, "A pair of numbers is expected here.");
            return new double[2];
          }
          return new double[] {x, y};
        });
  }

  List<double[]> triples(String key) {
    return elements(
        key,
        (child, where) -> {
          double[] three = new double[3];
          for (int i = 0; i < 3; i++) {
            three[i] = child.isArray() && child.size() == 3 ? value(child.get(i)) : Double.NaN;
            if (Double.isNaN(three[i])) {
              findings.error(where, "Three numbers are expected here.");
              return new double[3];
            }
          }
          return three;
        });
  }

  private interface Element<T> {
    T read(JsonNode child, String where);
  }

  private <T> List<T> elements(String key, Element<T> element) {
    JsonNode child = at(key).orElse(null);
    if (child == null) {
      return List.of();
    }
    if (!child.isArray()) {
      error(key, "A list is expected here.");
      return List.of();
    }
    List<T> all = new ArrayList<>();
    for (int i = 0; i < child.size(); i++) {
      all.add(element.read(child.get(i), pointer + "/" + escape(key) + "/" + i));
    }
    return all;
  }

  <T> List<T> each(String key, Function<Cursor, T> read) {
    return elements(
        key,
        (child, where) -> {
          Cursor cursor = new Cursor(child, where, findings);
          T value = read.apply(cursor);
          cursor.noteUnread();
          return value;
        });
  }

  Optional<Cursor> child(String key) {
    return at(key).map(child -> new Cursor(child, pointer + "/" + escape(key), findings));
  }

  /** Reads every key of this object with {@code read}. */
  <T> Map<String, T> every(Function<String, T> read) {
    Map<String, T> all = new LinkedHashMap<>();
    if (node != null && node.isObject()) {
      node.propertyNames().forEach(key -> all.put(key, read.apply(key)));
    }
    return all;
  }

  /** Notes each key that nobody asked for, once. */
  void noteUnread() {
    if (node != null && node.isObject()) {
      for (String key : node.propertyNames()) {
        if (!asked.contains(key)) {
          findings.note(
              pointer + "/" + escape(key), "The key '" + key + "' is not known here; it is kept.");
        }
      }
    }
  }

  static String escape(String key) {
    return key.replace("~", "~0").replace("/", "~1");
  }
}
