package humble.benchmarks;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.casing.CaseFit;
import humble.core.kit.Kit;
import humble.core.kit.Parts;
import humble.formats.ReadingBudget;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import humble.formats.report.HtmlReport;
import humble.formats.report.PdfReport;
import humble.formats.report.TextReports;
import java.io.IOException;
import java.io.PrintStream;
import java.lang.management.ManagementFactory;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;

/** A long logbook written, and many parts held against a case and a facing board. */
final class BookWritten {
  private static final int ACTS = 20_000;
  private static final int PARTS = 300;
  private static final int ROUNDS = 40;

  private BookWritten() {}

  static void measure(PrintStream out) throws IOException {
    Kit kit = kit();
    report(kit, out);
    fit(kit, out);
  }

  /** Processor time of the first of its kind in the process, and of the middle of some. */
  private record Took(double firstS, double middleS) {}

  private static Took took(int rounds, Callable<?> work) {
    var threads = ManagementFactory.getThreadMXBean();
    List<Double> all = new ArrayList<>();
    for (int i = 0; i < rounds; i++) {
      long from = threads.getCurrentThreadCpuTime();
      try {
        work.call();
      } catch (Exception e) {
        throw new IllegalStateException(e);
      }
      all.add((threads.getCurrentThreadCpuTime() - from) / 1e9);
    }
    double first = all.getFirst();
    return new Took(first, all.stream().sorted().toList().get(all.size() / 2));
  }

  private static void report(Kit kit, PrintStream out) throws IOException {
    Build build = build(kit);
    Took html = took(5, () -> HtmlReport.of(kit, build, Locale.ENGLISH, ZoneOffset.UTC));
    Took csv = took(5, () -> TextReports.csv(build, Locale.ENGLISH));
    Took pdf = took(5, () -> PdfReport.of(kit, build, Locale.ENGLISH, ZoneOffset.UTC));
    int pages;
    try (PDDocument document =
        Loader.loadPDF(PdfReport.of(kit, build, Locale.ENGLISH, ZoneOffset.UTC))) {
      pages = document.getNumberOfPages();
    }
    out.printf(
        Locale.ROOT,
        "| report of %,d acts as one page | %.2f s the first, %.2f s then | the same acts as rows"
            + " of text: %.2f s | %.1f |%n",
        ACTS,
        html.firstS(),
        html.middleS(),
        csv.middleS(),
        html.middleS() / csv.middleS());
    out.printf(
        Locale.ROOT,
        "| the same as PDF | %.2f s the first, %.2f s then; %d pages | the page: %.2f s | %.1f |%n",
        pdf.firstS(),
        pdf.middleS(),
        pages,
        html.middleS(),
        pdf.middleS() / html.middleS());
  }

  private static void fit(Kit kit, PrintStream out) {
    Took index = took(ROUNDS, () -> Parts.of(kit));
    Parts parts = Parts.of(kit);
    Took fit = took(ROUNDS, () -> CaseFit.of(parts, Map.of()));
    CaseFit found = CaseFit.of(parts, Map.of());
    out.printf(
        Locale.ROOT,
        "| %d parts against a case and a facing board: %d pairs, %d misfits | %.1f ms the first,"
            + " %.2f ms then | indexing the same parts: %.2f ms | %.1f |%n",
        PARTS,
        found.facing().size(),
        found.misfits().size(),
        1000 * fit.firstS(),
        1000 * fit.middleS(),
        1000 * index.middleS(),
        fit.middleS() / index.middleS());
  }

  private static Build build(Kit kit) {
    Instant start = Instant.parse("2027-01-14T18:30:00Z");
    List<BuildEvent.Entry> entries = new ArrayList<>();
    for (int i = 0; i < ACTS; i++) {
      String ref = "S" + (1 + i % PARTS);
      BuildEvent event =
          i == 0
              ? new BuildEvent.Began("A long build", kit.id(), "k", 1)
              : switch (i % 4) {
                case 0 -> new BuildEvent.Measured("s", 100 + i % 7, "inside");
                case 1 -> new BuildEvent.Fitted("fit:" + ref, List.of(ref), 4);
                case 2 -> new BuildEvent.JointSeen(ref + ".1", i % 90 == 2 ? "dry" : "good");
                default -> new BuildEvent.Noted("Fit", "looked at " + ref + " once more");
              };
      entries.add(new BuildEvent.Entry(i + 1L, start.plusSeconds(40L * i), event));
    }
    return Build.of("long-1", entries);
  }

  /** Two boards of one size, face to face, and a plate behind each. */
  private static Kit kit() {
    StringBuilder refs = new StringBuilder();
    StringBuilder places = new StringBuilder();
    for (int i = 0; i < PARTS; i++) {
      String ref = "S" + (i + 1);
      int at = i / 2;
      refs.append(i == 0 ? "" : ",").append('"').append(ref).append('"');
      places
          .append(i == 0 ? "" : ",")
          .append(
              String.format(
                  Locale.ROOT,
                  "{\"ref\":\"%s\",\"board\":\"%s\",\"side\":\"%s\",\"x_mm\":%d,\"y_mm\":%d}",
                  ref,
                  i % 2 == 0 ? "front" : "back",
                  at % 3 == 0 ? "bottom" : "top",
                  8 + at % 15 * 12,
                  8 + at / 15 * 12));
    }
    String json =
        """
        {"format":"humble-kit/1","id":"long","name":"Long build","revision":"A",
         "boards":[{"id":"front","width_mm":190,"height_mm":130},
                   {"id":"back","width_mm":190,"height_mm":130}],
         "lines":[{"id":"s","kind":"button","package":"tact-6","refs":[%s],"supplied":%d}],
         "places":[%s],
         "enclosure":{"layers":[
           {"id":"lid","low_mm":2,"high_mm":2,"kind":"plate"},
           {"id":"p1","low_mm":9,"high_mm":9.2,"kind":"post"},
           {"id":"front","low_mm":1.5,"high_mm":1.7},
           {"id":"p2","low_mm":9,"high_mm":9.2,"kind":"post"},
           {"id":"back","low_mm":1.5,"high_mm":1.7},
           {"id":"p3","low_mm":3,"high_mm":3.1,"kind":"post"},
           {"id":"floor","low_mm":2,"high_mm":2,"kind":"plate"}]}}
        """
            .formatted(refs, PARTS, places);
    KitRead read =
        KitFolder.at(Path.of(System.getProperty("java.io.tmpdir")))
            .parse(json.getBytes(StandardCharsets.UTF_8), ReadingBudget.usual());
    return switch (read) {
      case KitRead.Opened opened -> opened.kit();
      case KitRead.Refused refused ->
          throw new IllegalStateException(refused.findings().toString());
    };
  }
}
