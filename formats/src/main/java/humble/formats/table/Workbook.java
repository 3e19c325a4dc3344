package humble.formats.table;

import com.github.miachm.sods.Range;
import com.github.miachm.sods.SpreadSheet;
import humble.core.budget.Budget;
import java.io.ByteArrayInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.Stream;
import java.util.zip.ZipException;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipFile;
import org.apache.commons.compress.utils.SeekableInMemoryByteChannel;
import org.dhatim.fastexcel.reader.Cell;
import org.dhatim.fastexcel.reader.CellType;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.Row;
import org.dhatim.fastexcel.reader.Sheet;

/**
 * The sheet of a spreadsheet, Office Open XML or OpenDocument, as text with tabs: the first sheet
 * that has rows, a line for each of its rows, so that lines are counted as rows are.
 */
final class Workbook {
  private static final long MOST_UNPACKED = 96L << 20;
  private static final int MOST_ENTRIES = 4_000;
  private static final int MOST_COLUMNS = 200;
  private static final int MOST_ROWS = 50_000;

  private Workbook() {}

  /** Tells whether bytes begin as archives do. */
  static boolean is(byte[] bytes) {
    return bytes.length > 4 && bytes[0] == 'P' && bytes[1] == 'K' && bytes[2] == 3 && bytes[3] == 4;
  }

  /**
   * Gives the rows as lines of cells with tabs between.
   *
   * @throws IOException with one sentence, when it is no spreadsheet, is damaged or too large
   */
  static String text(byte[] bytes, Budget budget) throws IOException {
    Kind kind = kind(bytes, budget);
    try {
      List<List<String>> rows =
          switch (kind) {
            case OFFICE_OPEN -> officeOpen(bytes, budget);
            case OPEN_DOCUMENT -> openDocument(bytes, budget);
            case OTHER -> throw new IOException("The file is an archive, but no spreadsheet.");
          };
      StringBuilder text = new StringBuilder();
      for (List<String> row : rows) {
        text.append(String.join("\t", row.stream().map(Workbook::cell).toList())).append('\n');
      }
      return text.toString();
    } catch (UncheckedIOException e) {
      throw new IOException("The spreadsheet is damaged: it cannot be read.", e);
    } catch (IOException | humble.core.budget.Spent e) {
      throw e;
    } catch (RuntimeException e) {
      // The libraries throw what they please for files that are none of theirs.
      throw new IOException("The spreadsheet is damaged: it cannot be read.", e);
    }
  }

  private enum Kind {
    OFFICE_OPEN,
    OPEN_DOCUMENT,
    OTHER
  }

  /** Looks through the archive before a library opens it: what it unpacks to is counted. */
  private static Kind kind(byte[] bytes, Budget budget) throws IOException {
    Kind kind = Kind.OTHER;
    long unpacked = 0;
    int entries = 0;
    byte[] piece = new byte[1 << 16];
    try (ZipFile zip =
        ZipFile.builder().setSeekableByteChannel(new SeekableInMemoryByteChannel(bytes)).get()) {
      for (ZipArchiveEntry entry : Collections.list(zip.getEntries())) {
        kind =
            switch (entry.getName()) {
              case "xl/workbook.xml" -> Kind.OFFICE_OPEN;
              case "content.xml" -> Kind.OPEN_DOCUMENT;
              default -> kind;
            };
        entries++;
        try (InputStream in = zip.getInputStream(entry)) {
          for (int n = in.read(piece); n >= 0; n = in.read(piece)) {
            unpacked += n;
            budget.bytes(n);
            if (unpacked > MOST_UNPACKED || entries > MOST_ENTRIES) {
              throw new IOException("The spreadsheet unpacks to more than is read here.");
            }
          }
        }
      }
    } catch (ZipException | EOFException | RuntimeException e) {
      if (e instanceof humble.core.budget.Spent spent) {
        throw spent;
      }
      throw new IOException("The spreadsheet is damaged: it cannot be read.", e);
    }
    return kind;
  }

  private static List<List<String>> officeOpen(byte[] bytes, Budget budget) throws IOException {
    try (InputStream in = new ByteArrayInputStream(bytes);
        ReadableWorkbook book = new ReadableWorkbook(in)) {
      for (Sheet sheet : book.getSheets().toList()) {
        List<List<String>> rows = new ArrayList<>();
        try (Stream<Row> stream = sheet.openStream()) {
          stream.limit(MOST_ROWS + 1L).forEach(row -> row(row, rows, budget));
        }
        if (rows.stream().anyMatch(row -> row.stream().anyMatch(cell -> !cell.isBlank()))) {
          return limited(rows);
        }
      }
    }
    return List.of();
  }

  private static void row(Row row, List<List<String>> rows, Budget budget) {
    // Empty rows are not in the file; their lines are counted all the same.
    while (rows.size() < Math.min(row.getRowNum() - 1, MOST_ROWS)) {
      rows.add(List.of());
    }
    List<String> cells = new ArrayList<>();
    for (int i = 0; i < Math.min(row.getCellCount(), MOST_COLUMNS); i++) {
      budget.items(1);
      Cell cell = row.getCell(i);
      cells.add(cell == null ? "" : text(cell));
    }
    rows.add(cells);
  }

  private static String text(Cell cell) {
    return cell.getType() == CellType.NUMBER && cell.getValue() instanceof BigDecimal number
        ? plain(number)
        : cell.getText();
  }

  /** Without noughts behind, and without the exponent that spreadsheets write. */
  private static String plain(BigDecimal number) {
    if (Math.abs(number.scale()) > 30) {
      return number.toString();
    }
    BigDecimal stripped = number.stripTrailingZeros();
    return (stripped.scale() < 0 ? stripped.setScale(0) : stripped).toPlainString();
  }

  private static List<List<String>> openDocument(byte[] bytes, Budget budget) throws IOException {
    SpreadSheet book = new SpreadSheet(new ByteArrayInputStream(bytes));
    for (com.github.miachm.sods.Sheet sheet : book.getSheets()) {
      int height = Math.min(sheet.getMaxRows(), MOST_ROWS + 1);
      int width = Math.min(sheet.getMaxColumns(), MOST_COLUMNS);
      if (height == 0 || width == 0) {
        continue;
      }
      Range range = sheet.getRange(0, 0, height, width);
      List<List<String>> rows = new ArrayList<>();
      for (Object[] values : range.getValues()) {
        List<String> cells = new ArrayList<>();
        for (Object value : values) {
          budget.items(1);
          cells.add(
              value == null
                  ? ""
                  : value instanceof Double number && Double.isFinite(number)
                      ? plain(BigDecimal.valueOf(number))
                      : value.toString());
        }
        rows.add(cells);
      }
      if (rows.stream().anyMatch(row -> row.stream().anyMatch(cell -> !cell.isBlank()))) {
        return limited(rows);
      }
    }
    return List.of();
  }

  private static List<List<String>> limited(List<List<String>> rows) throws IOException {
    if (rows.size() > MOST_ROWS) {
      throw new IOException("The sheet has more than " + MOST_ROWS + " rows.");
    }
    return rows;
  }

  /** A cell on one line; quotes only where the text needs them. */
  private static String cell(String text) {
    String line = text.replaceAll("[\\r\\n\\t]+", " ").strip();
    return line.startsWith("\"") ? "\"" + line.replace("\"", "\"\"") + "\"" : line;
  }
}
