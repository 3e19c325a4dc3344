package humble.formats.report;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.kit.Kit;
import humble.formats.kit.DemoKits;
import java.io.IOException;
import java.io.StringReader;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The logbook on paper and as text. */
class ReportsTest {
  private static final Instant START = Instant.parse("2027-01-14T18:30:00Z");
  private static final Kit KIT = DemoKits.readGlowmoth();

  private static Build build(BuildEvent... events) {
    List<BuildEvent.Entry> entries = new ArrayList<>();
    entries.add(
        new BuildEvent.Entry(1, START, new BuildEvent.Began("Mira's lantern", KIT.id(), "k", 1)));
    for (BuildEvent event : events) {
      entries.add(
          new BuildEvent.Entry(
              entries.size() + 1L, START.plusSeconds(60L * entries.size()), event));
    }
    return Build.of("glowmoth-1", entries);
  }

  private static String text(byte[] pdf, int page) throws IOException {
    try (PDDocument document = Loader.loadPDF(pdf)) {
      PDFTextStripper stripper = new PDFTextStripper();
      if (page > 0) {
        stripper.setStartPage(page);
        stripper.setEndPage(page);
      }
      return stripper.getText(document).replaceAll("\\s+", " ");
    }
  }

  private static byte[] pdf(Build build) throws IOException {
    return PdfReport.of(KIT, build, Locale.ENGLISH, ZoneOffset.UTC);
  }

  private static String markdown(Build build) {
    return TextReports.markdown(KIT, build, Locale.ENGLISH, ZoneOffset.UTC);
  }

  @Test
  void pageOneSaysWhatItIsWhetherItWasPoweredAndWhatWasNotProved() throws IOException {
    String never = text(pdf(build()), 1);
    assertThat(never)
        .contains("Mira's lantern")
        .contains(KIT.summary().split(" ")[0])
        .contains("Nobody has powered it.")
        .contains("Not proved")
        .contains("The build is not finished.");
    Build read =
        build(
            new BuildEvent.GateRead("rail33", 3.31, "inside", false),
            new BuildEvent.GatePassed("rail33", 3.31),
            new BuildEvent.Closed(BuildEvent.Closed.LAST));
    assertThat(text(pdf(read), 1))
        .contains("It was powered")
        .contains("3.31 V, as expected")
        .contains("The build is finished.")
        .doesNotContain("Nobody has powered it");
    Build practised =
        build(
            new BuildEvent.GateRead("rail33", 3.31, "inside", true),
            new BuildEvent.GatePassed("rail33", 3.31));
    assertThat(text(pdf(practised), 1)).contains("simulated");
  }

  @Test
  void aReadingStandsBesideTheWindowThatTheCircuitGives() {
    String page = markdown(build(new BuildEvent.GateRead("rail33", 3.31, "inside", false)));
    assertThat(page)
        .containsPattern("3\\.31 V \\| 3\\.[12]\\d+ V to 3\\.[34]\\d+ V \\| as expected");
  }

  @Test
  void whatWasWrongIsToldInPlainWords() {
    Build build =
        build(
            new BuildEvent.Mended("lamp1", "reversed:LED1", 3, false),
            new BuildEvent.LeftOut("C9", "none in the bag"),
            new BuildEvent.ScrewTaken("front", 16, 7.4),
            new BuildEvent.Answered("case:cover:C7:DISP1", "Lay C7 down", List.of(), List.of()));
    assertThat(markdown(build))
        .contains("LED1 was in the wrong way round")
        .contains("none in the bag")
        .contains("cut to 7.4 mm")
        .contains("Lay C7 down")
        .doesNotContain("reversed:LED1");
  }

  /** Hostile text is text: in a table, on a page, in a cell of a spreadsheet. */
  @Test
  void aStrangersTextIsTextEverywhere() throws IOException {
    String hostile = "=1+1 | <b>x</b>\n# \u202eevil\u0007 [a](b) \uD83D\uDE00 " + "w".repeat(400);
    Build build = build(new BuildEvent.Noted("Fit", hostile));
    String page = markdown(build);
    assertThat(page.lines().filter(line -> line.startsWith("# "))).hasSize(1);
    assertThat(page).contains("\\<b\\>x").contains("\\[a\\](b)").doesNotContain("\u202e");
    for (CSVRecord row :
        CSVFormat.RFC4180.parse(new StringReader(TextReports.csv(build, Locale.ENGLISH)))) {
      assertThat(row.size()).isEqualTo(6);
      assertThat(row.get(4)).doesNotStartWith("=").doesNotContain("\u202e");
    }
    String printed = text(pdf(build), 0);
    assertThat(printed).contains("‹202E›evil‹0007›").contains("<1F600>");
    JsonNode json =
        JsonMapper.shared().readTree(TextReports.json(KIT, build, Locale.ENGLISH, ZoneOffset.UTC));
    assertThat(json.path("acts").get(1).path("text").asString()).contains("evil");
  }

  @Test
  void twentyThousandActsAreSummedUpOnPaperAndToldOneByOneElsewhere() throws IOException {
    List<BuildEvent> acts = new ArrayList<>();
    for (int i = 0; i < 20_000; i++) {
      acts.add(
          i % 3 == 0
              ? new BuildEvent.Measured("r220", 220 + i % 5, "inside")
              : new BuildEvent.JointSeen("R" + i % 90 + ".1", i % 50 == 0 ? "dry" : "good"));
    }
    Build build = build(acts.toArray(BuildEvent[]::new));
    try (PDDocument document = Loader.loadPDF(pdf(build))) {
      assertThat(document.getNumberOfPages()).isLessThanOrEqualTo(40);
    }
    assertThat(text(pdf(build), 0)).contains("20,001 acts, summed up");
    assertThat(TextReports.csv(build, Locale.ENGLISH).lines()).hasSize(20_002);
  }
}
