package humble.formats.table;

import humble.core.intake.AgedText;
import humble.core.kit.Aged;
import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.Particulars;
import humble.core.kit.Place;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.jspecify.annotations.Nullable;

/**
 * The parts list and the placement list of a kit as tables: UTF-8, commas, double quotes where
 * needed, lines ended as RFC 4180 says. {@link PartsTable} reads them back.
 */
public final class KitTables {
  private KitTables() {}

  /** Gives the parts list. */
  public static String parts(Kit kit) {
    List<List<String>> rows = new ArrayList<>();
    rows.add(
        List.of(
            "id",
            "refs",
            "pieces",
            "supplied",
            "value",
            "kind",
            "package",
            "tolerance_pct",
            "bands",
            "marking",
            "bag",
            "polarity_marks",
            "fragile",
            "substitutes",
            "home",
            "spare_ok",
            "strip_of",
            "unpolarised",
            "colour",
            "clear_lens",
            "method",
            "on_board",
            "max_ma",
            "comes_off",
            "rated_v",
            "rated_c",
            "aged"));
    for (Line line : kit.lines()) {
      Double tolerance = line.tolerancePct();
      Particulars own = line.particulars();
      Double most = line.maxMa();
      Aged aged = own.aged();
      rows.add(
          List.of(
              line.id(),
              String.join(" ", line.refs()),
              Integer.toString(line.needed()),
              Integer.toString(line.supplied()),
              line.value(),
              line.kind().text(),
              line.packageId(),
              tolerance == null ? "" : number(tolerance),
              line.bands() == 0 ? "" : Integer.toString(line.bands()),
              line.marking(),
              line.bag(),
              String.join(" ", line.polarityMarks()),
              String.join(" ", line.fragile()),
              String.join(" ", line.substitutes()),
              line.home().text(),
              Boolean.toString(line.spareOk()),
              line.stripOf() == 0 ? "" : Integer.toString(line.stripOf()),
              own.unpolarised() ? "true" : "",
              own.colour(),
              own.clearLens() ? "true" : "",
              own.method() == Particulars.Method.IRON ? "" : own.method().text(),
              own.soldered().text(),
              most == null ? "" : number(most),
              own.comesOff() ? "true" : "",
              maybe(own.ratings().volts()),
              maybe(own.ratings().celsius()),
              aged == null ? "" : AgedText.text(aged)));
    }
    return print(rows);
  }

  /** Gives the placement list. */
  public static String places(Kit kit) {
    List<List<String>> rows = new ArrayList<>();
    rows.add(
        List.of("ref", "board", "side", "x_mm", "y_mm", "rotation_deg", "mount", "standoff_mm"));
    for (Place place : kit.places()) {
      rows.add(
          List.of(
              place.ref(),
              place.board(),
              place.side().text(),
              number(place.at().xMm()),
              number(place.at().yMm()),
              number(place.rotationDeg()),
              place.mount().text(),
              number(place.standoffMm())));
    }
    return print(rows);
  }

  private static String maybe(@Nullable Double value) {
    return value == null ? "" : number(value);
  }

  private static String number(double value) {
    BigDecimal plain = BigDecimal.valueOf(value).stripTrailingZeros();
    return plain.toPlainString();
  }

  private static String print(List<List<String>> rows) {
    StringBuilder out = new StringBuilder();
    try (CSVPrinter printer = new CSVPrinter(out, CSVFormat.RFC4180)) {
      for (List<String> row : rows) {
        printer.printRecord(row.stream().map(CsvCell::write).toList());
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toString();
  }
}
