package humble.desktop.book;

import humble.core.build.Build;
import humble.core.kit.Kit;
import humble.formats.report.HtmlReport;
import humble.formats.report.KeptPhotos;
import humble.formats.report.PdfReport;
import humble.formats.report.TextReports;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.ZoneId;
import java.util.Locale;

/** What the logbook is written as. */
enum ReportForm {
  /** One page to look at and to hand over. */
  HTML,
  /** Pages to print. */
  PDF,
  /** Text to go on writing in. */
  MD,
  /** Every act, for a spreadsheet. */
  CSV,
  /** Everything, for another program. */
  JSON;

  String ending() {
    return "." + name().toLowerCase(Locale.ROOT);
  }

  /**
   * Gives the bytes of the report.
   *
   * @param photos the folder that keeps the photos of this bench
   */
  byte[] bytes(Kit kit, Build build, Path photos) throws IOException {
    Locale locale = Locale.getDefault();
    ZoneId zone = ZoneId.systemDefault();
    return switch (this) {
      case HTML -> utf8(HtmlReport.of(kit, build, locale, zone, KeptPhotos.in(photos)));
      case PDF -> PdfReport.of(kit, build, locale, zone, KeptPhotos.in(photos));
      case MD -> utf8(TextReports.markdown(kit, build, locale, zone));
      case CSV -> utf8(TextReports.csv(build, locale));
      case JSON -> utf8(TextReports.json(kit, build, locale, zone));
    };
  }

  private static byte[] utf8(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }
}
