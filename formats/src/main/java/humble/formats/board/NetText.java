package humble.formats.board;

import humble.core.budget.Budget;
import humble.core.budget.Spent;
import humble.core.kit.Finding;
import humble.core.kit.PinRef;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * Nets as people and circuit programs write them: a line a net, {@code GND: U1.8 R1.1}, or a SPICE
 * deck, whose nodes are nets and whose elements are parts.
 *
 * @param nets pins by net, as {@code REF.PIN}
 * @param problems lines that say nothing usable, each with its place
 */
public record NetText(Map<String, List<String>> nets, List<Finding> problems) {
  private static final int LONGEST_LINE = 20_000;

  public NetText {
    nets = Map.copyOf(nets);
    problems = List.copyOf(problems);
  }

  /**
   * Reads a text.
   *
   * @param text the file
   * @param source its name, for the places in messages
   * @param budget what its pins come out of
   */
  public static NetText read(String text, String source, Budget budget) {
    Reading reading = new Reading(source, budget);
    try {
      boolean deck = isDeck(text);
      if (deck) {
        reading.deck(text);
      } else {
        reading.lists(text);
      }
    } catch (Spent e) {
      reading.problems.add(Finding.error(source, e.sentence()));
    }
    Map<String, List<String>> nets = new LinkedHashMap<>();
    reading.pins.forEach((net, pins) -> nets.put(net, List.copyOf(pins)));
    return new NetText(nets, reading.problems);
  }

  /** A deck has elements of two nodes or more and ends with {@code .end}. */
  private static boolean isDeck(String text) {
    return text.lines()
        .map(line -> line.strip().toLowerCase(Locale.ROOT))
        .anyMatch(
            line -> line.equals(".end") || line.startsWith(".op") || line.startsWith(".tran"));
  }

  private static final class Reading {
    private final String source;
    private final Budget budget;
    private final Map<String, Set<String>> pins = new LinkedHashMap<>();
    private final Map<String, String> netOf = new LinkedHashMap<>();
    private final List<Finding> problems = new ArrayList<>();

    Reading(String source, Budget budget) {
      this.source = source;
      this.budget = budget;
    }

    private void add(String net, String pin, String where) {
      budget.items(1);
      String before = netOf.putIfAbsent(pin, net);
      if (before != null && !before.equals(net)) {
        problems.add(
            Finding.error(
                where, pin + " is on " + before + " already; it is not put on " + net + "."));
        return;
      }
      pins.computeIfAbsent(net, n -> new LinkedHashSet<>()).add(pin);
    }

    void lists(String text) {
      int number = 0;
      for (String line : text.lines().toList()) {
        String where = source + " line " + ++number;
        String plain = line.strip();
        if (plain.isEmpty() || plain.startsWith("#") || plain.startsWith("//")) {
          continue;
        }
        int end = colon(plain);
        if (plain.length() > LONGEST_LINE || end <= 0) {
          problems.add(
              Finding.error(
                  where, "A net is written like 'GND: U1.8 R1.1'; this line is not read."));
          continue;
        }
        String net = plain.substring(0, end).strip();
        for (String word : plain.substring(end + 1).split("[\\s,;]+")) {
          if (!word.isEmpty()) {
            pin(net, word, where);
          }
        }
      }
    }

    private static int colon(String line) {
      int colon = line.indexOf(':');
      return colon >= 0 ? colon : line.indexOf('=');
    }

    /** A pin may be written with a point or, as some programs do, with a dash. */
    private void pin(String net, String word, String where) {
      String dotted = word.contains(".") ? word : word.replaceFirst("-", ".");
      if (PinRef.parse(dotted).isPresent()) {
        add(net, dotted, where);
      } else {
        problems.add(Finding.error(where, "'" + shortened(word) + "' is no pin such as U1.8."));
      }
    }

    private static String shortened(String word) {
      return word.length() > 40 ? word.substring(0, 40) + "…" : word;
    }

    /** Nodes of elements, pin by pin; the first line of a deck is its title. */
    void deck(String text) {
      Map<String, String> names = new LinkedHashMap<>();
      List<String> lines = text.lines().toList();
      for (String line : lines) {
        String[] words = line.strip().split("\\s+");
        if (words.length == 5
            && words[0].equals("*")
            && words[1].equals("net")
            && words[3].equals("=")) {
          names.put(words[4], words[2]);
        }
      }
      for (int i = 1; i < lines.size(); i++) {
        String line = lines.get(i).strip();
        if (line.toLowerCase(Locale.ROOT).startsWith(".end")) {
          return;
        }
        if (!line.isEmpty()
            && Character.isLetter(line.charAt(0))
            && line.length() <= LONGEST_LINE) {
          element(line.split("\\s+"), names, source + " line " + (i + 1));
        }
      }
    }

    private void element(String[] words, Map<String, String> names, String where) {
      char kind = Character.toUpperCase(words[0].charAt(0));
      int nodes =
          switch (kind) {
            case 'R', 'C', 'L', 'D', 'V', 'I' -> 2;
            case 'Q', 'J', 'Z' -> 3;
            case 'M' -> 4;
            case 'X' -> words.length - 2;
            default -> 0;
          };
      if (nodes == 0 || words.length < nodes + 1) {
        problems.add(
            Finding.note(
                where,
                "The element "
                    + shortened(words[0])
                    + " is of no kind known here; its nodes are left out."));
        return;
      }
      // A chip is an element X with its own designator behind; sources hold no part.
      String ref = kind == 'X' ? words[0].substring(1) : words[0];
      if (kind == 'V' || kind == 'I') {
        problems.add(
            Finding.note(where, "The source " + shortened(ref) + " is no part of the board."));
        return;
      }
      for (int k = 1; k <= Math.min(nodes, kind == 'M' ? 3 : nodes); k++) {
        String node = words[k];
        String net = names.getOrDefault(node, node.equals("0") ? "GND" : node);
        String number = pin(kind, k);
        if (PinRef.parse(ref + "." + number).isPresent()) {
          add(net, ref + "." + number, where);
        } else {
          problems.add(Finding.error(where, "'" + shortened(ref) + "' is no designator."));
        }
      }
    }

    /** A deck names the anode first; here pin 1 is the cathode. Legs are named, not numbered. */
    private static String pin(char kind, int k) {
      return switch (kind) {
        case 'D' -> k == 1 ? "a" : "k";
        case 'Q' -> List.of("c", "b", "e").get(k - 1);
        case 'M' -> List.of("d", "g", "s").get(k - 1);
        default -> Integer.toString(k);
      };
    }
  }
}
