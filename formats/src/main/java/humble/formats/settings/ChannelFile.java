package humble.formats.settings;

import humble.core.beside.ChannelTable;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/** Reads tables of channels: a header row, then a channel a row; comma, semicolon or tab. */
public final class ChannelFile {
  private ChannelFile() {}

  /**
   * Reads a table.
   *
   * @throws IOException with one sentence where it is none
   */
  public static ChannelTable read(String text) throws IOException {
    String plain = text.startsWith("\ufeff") ? text.substring(1) : text;
    String head = plain.lines().findFirst().orElse("");
    char separator = head.indexOf('\t') >= 0 ? '\t' : head.indexOf(';') >= 0 ? ';' : ',';
    CSVFormat format = CSVFormat.DEFAULT.builder().setDelimiter(separator).get();
    List<String> columns = new ArrayList<>();
    List<ChannelTable.Row> rows = new ArrayList<>();
    try (CSVParser parser = CSVParser.parse(new StringReader(plain), format)) {
      for (CSVRecord record : parser) {
        // A cell over several lines ends later than it begins.
        int line =
            (int) parser.getCurrentLineNumber()
                - (int) record.stream().flatMapToInt(String::chars).filter(c -> c == '\n').count();
        if (columns.isEmpty()) {
          record.forEach(cell -> columns.add(cell.strip()));
        } else if (record.stream().anyMatch(cell -> !cell.isBlank())) {
          rows.add(new ChannelTable.Row(line, record.stream().toList()));
        }
      }
    } catch (UncheckedIOException | IllegalStateException e) {
      throw new IOException("A quote is open in it.", e);
    }
    return new ChannelTable(columns, rows);
  }
}
