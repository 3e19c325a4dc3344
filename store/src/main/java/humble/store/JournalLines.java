package humble.store;

import humble.core.budget.Budget;
import humble.core.budget.Spent;
import humble.core.build.BuildEvent;
import humble.core.kit.NameRule;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.Reader;
import java.io.Writer;
import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * A journal as lines of JSON that need no database to be read: a first line that says what it is,
 * then one build after the other, every entry on a line of its own.
 *
 * <pre>
 * {"format":"humble-journal/1","builds":1,"entries":2}
 * {"build":"moth-1","number":1,"at":"2027-01-14T18:30:00.123Z","kind":"Began","entry":{…}}
 * {"build":"moth-1","number":2,"at":"2027-01-14T18:31:10.004Z","kind":"Counted","entry":{…}}
 * </pre>
 *
 * An entry that is damaged has {@code "damaged"} with the reason; its text, where it is no JSON,
 * stands in {@code "text"}.
 */
public final class JournalLines {
  /** What the first line says. */
  public static final String FORMAT = "humble-journal/1";

  /** The largest file that is taken in, in bytes. */
  public static final long MOST_BYTES = 200_000_000;

  private static final int LONGEST_LINE = 1 << 20;
  private static final int MOST_PROBLEMS = 50;
  private static final JsonMapper JSON =
      JsonMapper.builder(
              JsonFactory.builder()
                  .streamReadConstraints(
                      StreamReadConstraints.builder()
                          .maxNestingDepth(32)
                          .maxNumberLength(100)
                          .build())
                  .build())
          .build();

  private JournalLines() {}

  /**
   * Writes a journal, damaged or not.
   *
   * @return the number of entries written
   */
  public static long write(Journal journal, Writer out) throws IOException {
    Map<String, List<StoredEvent>> builds = new LinkedHashMap<>();
    journal
        .stored()
        .forEach(row -> builds.computeIfAbsent(row.buildText(), id -> new ArrayList<>()).add(row));
    Map<Long, Damage> damage = new HashMap<>();
    journal.damage().forEach(each -> damage.put(each.number(), each));
    ObjectNode head = JSON.createObjectNode();
    head.put("format", FORMAT);
    head.put("builds", builds.keySet().stream().filter(id -> !id.equals(Journal.BENCH)).count());
    head.put("entries", builds.values().stream().mapToInt(List::size).sum());
    line(out, head);
    long written = 0;
    for (List<StoredEvent> build : builds.values()) {
      for (StoredEvent row : build) {
        line(out, node(row, damage.get(row.number())));
        written++;
      }
    }
    return written;
  }

  /**
   * Writes one build, to be taken along: where its kit lies on this machine and by which command
   * its maker loads are nobody else's business and stay here.
   *
   * @return the number of entries written
   */
  public static long write(Journal journal, String build, Writer out) throws IOException {
    List<StoredEvent> rows =
        journal.stored().stream().filter(row -> row.buildText().equals(build)).toList();
    Map<Long, Damage> damage = new HashMap<>();
    journal.damage().forEach(each -> damage.put(each.number(), each));
    ObjectNode head = JSON.createObjectNode();
    head.put("format", FORMAT);
    head.put("builds", 1);
    head.put("entries", rows.size());
    line(out, head);
    for (StoredEvent row : rows) {
      ObjectNode node = node(row, damage.get(row.number()));
      if (node.path("entry") instanceof ObjectNode entry) {
        for (String own : List.of("kitPath", "command")) {
          if (entry.has(own)) {
            entry.put(own, "");
          }
        }
      }
      line(out, node);
    }
    return rows.size();
  }

  private static ObjectNode node(
      StoredEvent row, @org.jspecify.annotations.Nullable Damage damage) {
    ObjectNode node = JSON.createObjectNode();
    node.put("build", row.buildText());
    node.put("number", row.number());
    node.put("at", Instant.ofEpochMilli(row.atMs()).toString());
    node.put("kind", row.kindText());
    try {
      node.set("entry", JSON.readTree(row.bodyText()));
    } catch (JacksonException e) {
      node.put("text", row.bodyText());
    }
    if (damage != null && !damage.contentHolds()) {
      node.put("damaged", damage.text());
    }
    return node;
  }

  private static void line(Writer out, ObjectNode node) throws IOException {
    out.write(JSON.writeValueAsString(node));
    out.write('\n');
  }

  /**
   * What came of taking lines in.
   *
   * @param builds the id that each build has here, by the id it had there
   * @param same builds that were here already, entry by entry
   * @param entries number of entries that were taken in
   * @param problems what stands against it, each with its line; nothing is taken in while there are
   *     any
   * @param leftOut lines that were left out, since they were damaged where they come from
   */
  public record TakenIn(
      Map<String, String> builds,
      List<String> same,
      long entries,
      List<String> problems,
      List<String> leftOut) {
    public TakenIn {
      builds = Map.copyOf(builds);
      same = List.copyOf(same);
      problems = List.copyOf(problems);
      leftOut = List.copyOf(leftOut);
    }
  }

  /** An entry as it stands in a line. */
  private record Line(long number, long atMs, String kind, String body) {}

  /**
   * Takes every build of some lines into a journal, in one transaction. A build whose id is taken
   * gets the next free one; one that is here already, entry by entry, is passed over.
   *
   * @param in the lines
   * @param source name of the file, for the places in problems
   * @param budget what the entries come out of
   * @throws NotWritten when it could not be written; nothing of it then was
   */
  public static TakenIn read(Journal journal, Reader in, String source, Budget budget)
      throws IOException {
    return new Reading(source, budget).into(journal, in);
  }

  /**
   * Takes one build into a journal, in one transaction, and notes that it came along. A build that
   * is here already, entry by entry, is not taken in twice, whatever was added to it here.
   *
   * @param in the lines of one build
   * @param came where its kit lies now, and whose hand it comes from
   * @throws NotWritten when it could not be written; nothing of it then was
   */
  public static TakenIn takeAlong(
      Journal journal, Reader in, String source, Budget budget, BuildEvent.CameAlong came)
      throws IOException {
    return new Reading(source, budget, came).into(journal, in);
  }

  /** What was read so far. */
  private static final class Reading {
    private final String source;
    private final Budget budget;
    private final Map<String, List<Line>> builds = new LinkedHashMap<>();
    private final List<String> problems = new ArrayList<>();
    private final List<String> leftOut = new ArrayList<>();
    private final BuildEvent.@org.jspecify.annotations.Nullable CameAlong came;
    private int number;

    Reading(String source, Budget budget) {
      this(source, budget, null);
    }

    Reading(
        String source,
        Budget budget,
        BuildEvent.@org.jspecify.annotations.Nullable CameAlong came) {
      this.source = source;
      this.budget = budget;
      this.came = came;
    }

    TakenIn into(Journal journal, Reader in) throws IOException {
      try {
        lines(new BufferedReader(in));
      } catch (Spent e) {
        problems.add(where() + e.sentence());
      }
      if (came != null && builds.size() > 1) {
        problems.add(source + ": There is more than one build in it.");
      }
      if (builds.isEmpty() && problems.isEmpty()) {
        problems.add(source + ": No build stands in this file.");
      }
      if (!problems.isEmpty()) {
        return new TakenIn(Map.of(), List.of(), 0, problems, leftOut);
      }
      return store(journal);
    }

    private String where() {
      return source + " line " + number + ": ";
    }

    private void problem(String text) {
      problems.add(where() + text);
    }

    private void lines(BufferedReader in) throws IOException {
      boolean headed = false;
      for (String text = line(in); text != null; text = line(in)) {
        number++;
        if (text.isBlank()) {
          continue;
        }
        budget.items(1);
        budget.bytes(text.length());
        JsonNode node = parsed(text);
        if (node == null) {
          if (!headed) {
            return;
          }
        } else if (!headed) {
          headed = true;
          if (!FORMAT.equals(node.path("format").asString(""))) {
            problem("This is not \"" + FORMAT + "\".");
            return;
          }
        } else {
          entry(node);
        }
        if (problems.size() >= MOST_PROBLEMS) {
          problems.add(source + ": There may be more; reading ends here.");
          return;
        }
      }
    }

    /** A line that has no end is not gathered for ever. */
    private @org.jspecify.annotations.Nullable String line(BufferedReader in) throws IOException {
      StringBuilder text = new StringBuilder();
      for (int c = in.read(); c >= 0; c = in.read()) {
        if (c == '\n') {
          return text.toString();
        }
        if (text.length() >= LONGEST_LINE) {
          number++;
          problem("The line is longer than 1 MiB.");
          return null;
        }
        text.append((char) c);
      }
      return text.isEmpty() ? null : text.toString();
    }

    private @org.jspecify.annotations.Nullable JsonNode parsed(String text) {
      try {
        JsonNode node = JSON.readTree(text);
        if (node != null && node.isObject()) {
          return node;
        }
        problem("An object is expected on every line.");
      } catch (JacksonException e) {
        problem("This line is no JSON.");
      }
      return null;
    }

    private void entry(JsonNode node) {
      if (node.has("damaged")) {
        leftOut.add(where() + "It was damaged where it comes from, and is left out.");
        return;
      }
      String build = node.path("build").asString("");
      String kind = node.path("kind").asString("");
      JsonNode body = node.path("entry");
      if (!build.equals(Journal.BENCH)) {
        NameRule.id(build).ifPresent(objection -> problem(objection.text()));
      }
      Long at = millis(node.path("at").asString(""));
      JsonNode at0 = node.path("number");
      boolean numbered = at0.isIntegralNumber() && at0.canConvertToLong() && at0.longValue() > 0;
      if (!numbered) {
        problem("'number' is no whole number above 0.");
      }
      if (!body.isObject()) {
        problem("'entry' is no object.");
        return;
      }
      String text = body.toString();
      if (EventJson.read(kind, text) instanceof BuildEvent.Unread unread) {
        problem("An entry of the kind '" + kind + "' cannot be read: " + unread.why() + ".");
        return;
      }
      if (at != null && numbered) {
        builds
            .computeIfAbsent(build, id -> new ArrayList<>())
            .add(new Line(at0.longValue(), at, kind, text));
      }
    }

    private @org.jspecify.annotations.Nullable Long millis(String text) {
      try {
        return Instant.parse(text).toEpochMilli();
      } catch (DateTimeParseException | ArithmeticException e) {
        problem("'at' is no time such as 2027-01-14T18:30:00Z.");
        return null;
      }
    }

    /** The build here that begins with these entries; empty when there is none. */
    private static java.util.Optional<String> begunSo(Journal journal, List<Line> lines) {
      Map<String, List<StoredEvent>> here = new LinkedHashMap<>();
      journal
          .stored()
          .forEach(row -> here.computeIfAbsent(row.buildText(), id -> new ArrayList<>()).add(row));
      return here.entrySet().stream()
          .filter(each -> each.getValue().size() >= lines.size())
          .filter(each -> isSame(each.getValue().subList(0, lines.size()), lines, true))
          .map(Map.Entry::getKey)
          .findFirst();
    }

    private TakenIn store(Journal journal) {
      Set<String> taken = new HashSet<>(journal.builds());
      Map<String, String> ids = new TreeMap<>();
      List<String> same = new ArrayList<>();
      List<Appender.Row> rows = new ArrayList<>();
      List<Line> order = new ArrayList<>();
      builds.forEach((id, all) -> {
        List<Line> lines = id.equals(Journal.BENCH) ? newOfBench(journal, all) : all;
        if (lines.isEmpty() || taken.contains(id) && isSame(journal, id, lines)) {
          same.add(id);
          return;
        }
        java.util.Optional<String> begun =
            came == null ? java.util.Optional.empty() : begunSo(journal, lines);
        if (begun.isPresent()) {
          same.add(begun.get());
          return;
        }
        // What belongs to the bench is one row of entries, whichever bench it comes from.
        String here = id.equals(Journal.BENCH) ? id : free(id, taken);
        ids.put(id, here);
        order.addAll(lines);
        lines.forEach(
            line -> rows.add(new Appender.Row(here, line.atMs(), line.kind(), line.body())));
        if (came != null) {
          rows.add(
              new Appender.Row(here, journal.nowMs(), EventJson.kind(came), EventJson.body(came)));
        }
      });
      if (!rows.isEmpty()) {
        List<Long> formerly = new ArrayList<>(order.stream().map(Line::number).toList());
        if (came != null) {
          // It is new here: nothing elsewhere means it.
          formerly.add(-1L);
        }
        journal.write(rows, formerly, Journal.PATIENTLY_MS);
      }
      return new TakenIn(ids, same, rows.size(), List.of(), leftOut);
    }

    /** The entries of another bench that this one has not. */
    private static List<Line> newOfBench(Journal journal, List<Line> lines) {
      Set<String> here = new HashSet<>();
      journal.stored().stream()
          .filter(row -> row.buildText().equals(Journal.BENCH))
          .forEach(row -> here.add(row.atMs() + row.kindText() + row.bodyText()));
      return lines.stream()
          .filter(line -> !here.contains(line.atMs() + line.kind() + line.body()))
          .toList();
    }

    private static String free(String id, Set<String> taken) {
      String stem = id.replaceFirst("-[0-9]{1,6}$", "");
      String here = id;
      for (int i = 1; !taken.add(here); i++) {
        here = stem + "-" + i;
      }
      return here;
    }

    /** The same moments, kinds and texts: entries that were taken back differ in numbers alone. */
    private static boolean isSame(Journal journal, String id, List<Line> lines) {
      List<StoredEvent> here =
          journal.stored().stream().filter(row -> row.buildText().equals(id)).toList();
      return here.size() == lines.size() && isSame(here, lines, false);
    }

    /** A build that was taken along has other places in its first entry. */
    private static boolean isSame(List<StoredEvent> here, List<Line> lines, boolean elsewhere) {
      for (int i = 0; i < lines.size(); i++) {
        Line line = lines.get(i);
        StoredEvent row = here.get(i);
        boolean back =
            line.kind().equals("TookBack")
                || elsewhere
                    && List.of("Began", "CameAlong", "UsesProgrammer").contains(line.kind());
        if (row.atMs() != line.atMs()
            || !row.kindText().equals(line.kind())
            || (!back && !sameText(row.bodyText(), line.body()))) {
          return false;
        }
      }
      return true;
    }

    private static boolean sameText(String one, String other) {
      try {
        return JSON.readTree(one).equals(JSON.readTree(other));
      } catch (JacksonException e) {
        return one.equals(other);
      }
    }
  }
}
