package humble.formats.report;

import humble.core.book.BenchStage;
import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.kit.Kit;
import humble.core.words.ForeignText;
import humble.core.words.Words;
import humble.formats.table.CsvCell;
import java.io.IOException;
import java.time.ZoneId;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Writes the logbook of a build as text: Markdown to read, CSV and JSON to go on with. */
public final class TextReports {
  private static final JsonMapper JSON =
      JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

  private TextReports() {}

  /** Gives the logbook in Markdown. */
  public static String markdown(Kit kit, Build build, Locale locale, ZoneId zone) {
    StringBuilder out = new StringBuilder();
    for (Logbook.Block block :
        LogbookWriter.of(kit, build, locale, zone, Integer.MAX_VALUE).blocks()) {
      switch (block) {
        case Logbook.Title title -> out.append("# ").append(md(title.text())).append("\n\n");
        case Logbook.Heading heading ->
            out.append("\n## ").append(md(heading.text())).append("\n\n");
        case Logbook.Text text ->
            out.append(text.strong() ? "**" + md(text.text()) + "**" : md(text.text()))
                .append("\n\n");
        case Logbook.Bullets bullets ->
            bullets.items().forEach(item -> out.append("- ").append(md(item)).append('\n'));
        case Logbook.Photo photo -> out.append("- ").append(md(photo.text())).append('\n');
        case Logbook.Table table -> table(out, table);
      }
    }
    return out.toString();
  }

  private static void table(StringBuilder out, Logbook.Table table) {
    int columns = table.rows().stream().mapToInt(row -> row.cells().size()).max().orElse(1);
    out.append("| ".repeat(columns)).append("|\n").append("|---".repeat(columns)).append("|\n");
    for (Logbook.Row row : table.rows()) {
      for (int i = 0; i < columns; i++) {
        String cell = i < row.cells().size() ? md(row.cells().get(i)) : "";
        out.append("| ").append(row.gone() && !cell.isEmpty() ? "~~" + cell + "~~" : cell);
        out.append(' ');
      }
      out.append("|\n");
    }
    out.append('\n');
  }

  /** What means something in Markdown is told as the sign it is. */
  private static String md(String text) {
    StringBuilder escaped = new StringBuilder();
    String plain = Logbook.plain(text);
    for (int i = 0; i < plain.length(); i++) {
      char c = plain.charAt(i);
      if ("\\`*_{}[]<>#|~!&".indexOf(c) >= 0
          || (i == 0 && (c == '-' || c == '+' || Character.isDigit(c)))) {
        escaped.append(Character.isDigit(c) ? "" : "\\");
      }
      escaped.append(c);
    }
    return escaped.toString();
  }

  static Words words(Locale locale) {
    return Words.of("humble.formats.report.report", locale).naming(ForeignText::shown);
  }

  private static Set<Long> takenBack(Build build) {
    Set<Long> gone = new HashSet<>();
    for (BuildEvent.Entry entry : build.entries()) {
      if (entry.event() instanceof BuildEvent.TookBack back) {
        gone.add(back.number());
      }
    }
    return gone;
  }

  private static String stage(BuildEvent event) {
    return BenchStage.of(event).map(BenchStage::text).orElse("");
  }

  /** Gives every act as a row of CSV. */
  public static String csv(Build build, Locale locale) {
    Words words = words(locale);
    Set<Long> gone = takenBack(build);
    StringBuilder out = new StringBuilder();
    try (CSVPrinter printer = new CSVPrinter(out, CSVFormat.RFC4180)) {
      printer.printRecord("number", "at", "stage", "act", "text", "taken_back");
      for (BuildEvent.Entry entry : build.entries()) {
        printer.printRecord(
            List.of(
                entry.number(),
                entry.at(),
                stage(entry.event()),
                entry.event().getClass().getSimpleName(),
                CsvCell.write(EventWords.say(words, entry.event())),
                gone.contains(entry.number())));
      }
    } catch (IOException e) {
      throw new IllegalStateException("text in memory can always be written", e);
    }
    return out.toString();
  }

  /** Gives what stands in the logbook, and every act, as JSON. */
  public static String json(Kit kit, Build build, Locale locale, ZoneId zone) {
    Words words = words(locale);
    Set<Long> gone = takenBack(build);
    ObjectNode root = JSON.createObjectNode();
    root.put("id", build.id());
    root.put("kit", kit.id());
    root.put("closed", build.isClosed());
    LedgerJson.write(root, kit, build, locale, zone);
    ArrayNode acts = root.putArray("acts");
    for (BuildEvent.Entry entry : build.entries()) {
      acts.addObject()
          .put("number", entry.number())
          .put("at", entry.at().toString())
          .put("stage", stage(entry.event()))
          .put("act", entry.event().getClass().getSimpleName())
          .put("text", EventWords.say(words, entry.event()))
          .put("taken_back", gone.contains(entry.number()));
    }
    return JSON.writeValueAsString(root) + "\n";
  }
}
