package humble.formats.report;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.book.Comparison;
import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.build.KitChange;
import humble.core.kit.Kit;
import humble.core.wake.DisplaySetting;
import humble.core.wake.Pose;
import humble.core.words.Words;
import humble.formats.WholeFile;
import humble.formats.kit.DemoKits;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.StreamSupport;
import javax.imageio.ImageIO;
import javax.xml.parsers.DocumentBuilderFactory;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class HtmlReportTest {
  private static final Instant START = Instant.parse("2027-01-14T18:30:00Z");

  @TempDir Path folder;

  private static String page(BuildEvent... events) {
    Kit kit = DemoKits.readGlowmoth();
    List<BuildEvent.Entry> entries = new ArrayList<>();
    entries.add(
        new BuildEvent.Entry(
            1, START, new BuildEvent.Began("Mira's <lantern>", kit.id(), "kits/glowmoth", 1)));
    for (BuildEvent event : events) {
      entries.add(
          new BuildEvent.Entry(
              entries.size() + 1L, START.plusSeconds(60L * entries.size()), event));
    }
    return HtmlReport.of(kit, Build.of("glowmoth-1", entries), Locale.ENGLISH, ZoneOffset.UTC);
  }

  @Test
  void thePageHoldsReadingsDeviationsAndLeftOvers() {
    String page =
        page(
            new BuildEvent.Counted("r220", 7),
            new BuildEvent.Counted("usb-cable", 0),
            new BuildEvent.Measured("r11k", 11_020, "inside"),
            new BuildEvent.GateRead("rail33", 3.31, "inside", true),
            new BuildEvent.Fitted("fit:R1", List.of("R1", "R2"), 4),
            new BuildEvent.Noted("Fit", "R1 & R2 were swapped in the bag"),
            new BuildEvent.JointSeen("R1.1", "good"),
            new BuildEvent.JointSeen("R2.1", "dry"),
            new BuildEvent.Wrong("Power", "3.3 V at the empty socket"));
    assertThat(page)
        .contains("11.0 kΩ")
        .contains("3.31 V")
        .contains("simulated")
        .contains("1 left over")
        .contains("1 short")
        .contains("4 joints")
        .contains("<td>odd</td><td><bdi>R2.1</bdi></td>")
        .doesNotContain("<td>odd</td><td><bdi>R1.1</bdi></td>")
        .contains("R1 &amp; R2 were swapped in the bag")
        .contains("0:09 h");
  }

  @Test
  void textIsEscapedAndThePageIsWellFormed() throws Exception {
    String page = page(new BuildEvent.Noted("Fit", "<script>alert(1)</script> \"x\""));
    assertThat(page).doesNotContain("<script>").contains("Mira's &lt;lantern&gt;");
    String xml = page.replace("<!DOCTYPE html>", "").replaceAll("<meta [^>]*>", "");
    assertThat(
            DocumentBuilderFactory.newInstance()
                .newDocumentBuilder()
                .parse(new java.io.ByteArrayInputStream(xml.getBytes(StandardCharsets.UTF_8)))
                .getDocumentElement()
                .getTagName())
        .isEqualTo("html");
  }

  @Test
  void signsThatCannotBeSeenAreShownAndNamesStandAlone() {
    String page = page(new BuildEvent.Noted("Fit", "left\u202eright\u0007 \u2068open"));
    assertThat(page)
        .contains("<bdi>left‹202E›right‹0007› ‹2068›open</bdi>")
        .doesNotContain("\u202e", "\u0007", "\u2068", "\u2069");
  }

  @Test
  void thePolicyLetsInThePagesOwnStyleAndNothingElse() throws Exception {
    String page = page();
    String style = page.substring(page.indexOf("<style>") + 7, page.indexOf("</style>"));
    byte[] hash =
        java.security.MessageDigest.getInstance("SHA-256")
            .digest(style.getBytes(StandardCharsets.UTF_8));
    assertThat(page)
        .contains(
            "default-src 'none'; style-src 'sha256-"
                + java.util.Base64.getEncoder().encodeToString(hash)
                + "'; base-uri 'none'; form-action 'none'")
        .doesNotContain("http:", "https:", "src=", "href=", "style=", "<script");
  }

  @Test
  void aVerdictOfAnotherVersionIsToldAsItIs() {
    assertThat(page(new BuildEvent.GateRead("rail33", 3.31, "perhaps", false)))
        .contains("<bdi>perhaps</bdi>");
  }

  @Test
  void whatWasTakenBackIsStruckOutNotLost() {
    String page = page(new BuildEvent.Counted("r220", 9), new BuildEvent.TookBack(2));
    assertThat(page).contains("<tr class=\"back\">").contains("Counted <bdi>r220</bdi>: 9");
    assertThat(page).doesNotContain("left over<");
  }

  @Test
  void everyKindOfEventHasASentence() {
    Words words = Words.of("humble.formats.report.report", Locale.ENGLISH);
    List<BuildEvent> all =
        List.of(
            new BuildEvent.Began("a", "b", "c", 1),
            new BuildEvent.Counted("r220", 6),
            new BuildEvent.Measured("r220", 220, "inside"),
            new BuildEvent.BandsRead("r220"),
            new BuildEvent.UsesMeter("pocket"),
            new BuildEvent.FedBy("plain"),
            new BuildEvent.SeriesRead("idle", 0.08, true, false),
            new BuildEvent.SeriesRead("idle", 4.9, false, false),
            new BuildEvent.Checked("plug", true),
            new BuildEvent.Checked("plug", false),
            new BuildEvent.FittedSome("fit:C1", List.of("C1"), 2),
            new BuildEvent.TookOut("remove:BT1@rail", List.of("BT1")),
            new BuildEvent.LeftOut("C1", "it hums"),
            new BuildEvent.Replaced("C1", "a larger one"),
            new BuildEvent.GateRead("apart", Double.POSITIVE_INFINITY, "Ω", "inside", false),
            new BuildEvent.HostRead("HB-4", true),
            new BuildEvent.Surveyed("C9", "burnt"),
            new BuildEvent.HoleSeen("C9.1", "lifted"),
            new BuildEvent.Answered(
                "place:R1",
                "12.7/20.32 22.86/20.32",
                List.of("package:R1"),
                List.of(new KitChange("places", "R1", "{}"))),
            new BuildEvent.LookedOver("main", "outline", false),
            new BuildEvent.Snapped("hdr6"),
            new BuildEvent.Sees("warm", "deutan"),
            new BuildEvent.Moved("fit:C1", "fit:R1"),
            new BuildEvent.Chose("sounder", "soft"),
            new BuildEvent.TookSchool("low"),
            new BuildEvent.Turned("main", "bottom", 90),
            new BuildEvent.MarkSeen("fit:C1", "stripe"),
            new BuildEvent.Acknowledged("U1", ""),
            new BuildEvent.Acknowledged("U2", "on the bench only"),
            new BuildEvent.SaysDangers(List.of("mains")),
            new BuildEvent.CameAlong("kits/moth", "moth.hcbuild", true),
            new BuildEvent.SeenFitted(List.of("R1"), true),
            new BuildEvent.RestsOn("buoy-1", "Buoy"),
            new BuildEvent.PhotoKept("photos/0123456789abcdef.jpg", "fit", "Fit C1"),
            new BuildEvent.Drilled("bands-four", true, 4.5),
            new BuildEvent.Walked(true),
            new BuildEvent.TrimAnew("null"),
            new BuildEvent.TrimTried("null", List.of(0.5, 0.25), 1.37, "less", true),
            new BuildEvent.TrimLeft("null", List.of(0.5, 0.25), 0.02, false, true, false),
            new BuildEvent.Calibrated("zero", 1, List.of(0.1, 0.2), false),
            new BuildEvent.Proved("c10n", 1.01e-8, "inside", false),
            new BuildEvent.TrimLeft("null", List.of(0.5), 0.02, true, false, false),
            new BuildEvent.Calibrated("zero", 2, List.of(), false),
            new BuildEvent.Fitted("fit:C1", List.of("C1"), 2),
            new BuildEvent.Fitted("wash", List.of(), 0),
            new BuildEvent.GateRead("rail33", 3.3, "inside", false),
            new BuildEvent.GatePassed("rail33", 3.3),
            new BuildEvent.Loaded("lamp", "main", 1754, "00", true, true),
            new BuildEvent.SettingMade("owner", "…"),
            new BuildEvent.BesideDone("levels", "card", 3, true, false, ""),
            new BuildEvent.BesideDone("levels", "card", 3, false, true, ""),
            new BuildEvent.BesideDone("memories", "channels", 12, true, false, "433060000.."),
            new BuildEvent.BesideDone("memories", "channels", 12, false, false, "433060000.."),
            new BuildEvent.BesideDone("air", "page", 3, true, false, ""),
            new BuildEvent.BesideDone("air", "page", 3, false, false, ""),
            new BuildEvent.BesideDone("lib", "library", 30, true, false, ""),
            new BuildEvent.BesideDone("lib", "library", 30, false, false, ""),
            new BuildEvent.BesideDone("x", "of another version", 1, false, false, ""),
            new BuildEvent.RowPut("follow", 3, 0x50),
            new BuildEvent.RowRead("follow", 3, 0x51),
            new BuildEvent.PanelOff("follow"),
            new BuildEvent.ProgramShown("follow", 0x26, true, false),
            new BuildEvent.ProgramShown("follow", 0x27, false, true),
            new BuildEvent.UsesProgrammer("flash {file}"),
            new BuildEvent.Started("lamp", true, false),
            new BuildEvent.Started("lamp", false, false),
            new BuildEvent.Saw("lamps", Map.of("dark", ""), true),
            new BuildEvent.Saw("lamps", Map.of("dark", "3 7"), true),
            new BuildEvent.Saw(
                "keys", Map.of("silent", "", "answer", "does", "seen", "", "later", "yes"), true),
            new BuildEvent.Saw("bus", Map.of("found", "0x3c", "answer", "not"), false),
            new BuildEvent.Saw("screen", DisplaySetting.PLAIN.facts(), true),
            new BuildEvent.Saw(
                "screen", new DisplaySetting(new Pose(90, true), false, false, 0, 0).facts(), true),
            new BuildEvent.Woke("lamps"),
            new BuildEvent.ScrewTaken("front", 16, 11.5),
            new BuildEvent.Closed("front"),
            new BuildEvent.Closed("closed"),
            new BuildEvent.Noted("Fit", "x"),
            new BuildEvent.Wrong("Fit", "x"),
            new BuildEvent.PlansEvenings(90),
            new BuildEvent.MarksWeighed("led", "long lead", 0.97, true),
            new BuildEvent.MarksWeighed("led", "long lead", 0.97, false),
            new BuildEvent.ModuleRead("M1", List.of("GND", "VCC"), "A"),
            new BuildEvent.ModuleRead("M1", List.of("VCC", "GND"), ""),
            new BuildEvent.Wound("L1", "a", 12),
            new BuildEvent.Coiled("tuner", "a", 0.4, true, false),
            new BuildEvent.Coiled("tuner", "a", Double.POSITIVE_INFINITY, false, false),
            new BuildEvent.Tried("led-red", "red"),
            new BuildEvent.Tried("led-red", ""),
            new BuildEvent.Repaired("lamp1", "open:R3.2", List.of("rail33")),
            new BuildEvent.JointSeen("R1.1", "dry"),
            new BuildEvent.GateOverridden("rail33", "the meter is out"),
            new BuildEvent.FaultHidden("lamp1", 2, "open:LED1.2", 4),
            new BuildEvent.Observed("lamp1", "V(5V)=4.98", true),
            new BuildEvent.Mended("lamp1", "open:R3.2", 4, false),
            new BuildEvent.Mended("lamp1", "open:R3.2", 4, true),
            new BuildEvent.TookBack(3),
            new BuildEvent.Unread("Danced", "this version knows no such kind of entry"));
    assertThat(all.stream().map(Object::getClass).distinct())
        .hasSameSizeAs(BuildEvent.class.getPermittedSubclasses());
    assertThat(all)
        .allSatisfy(
            event -> assertThat(EventWords.say(words, event)).isNotBlank().doesNotContain("{"));
    assertThat(EventWords.say(words, new BuildEvent.Saw("lamps", Map.of("dark", "3 7"), true)))
        .isEqualTo("lamps: dark 3 7");
    assertThat(EventWords.say(words, new BuildEvent.Saw("lamps", Map.of("dark", ""), true)))
        .isEqualTo("lamps: every light shines");
    assertThat(
            EventWords.say(words, new BuildEvent.Saw("screen", DisplaySetting.PLAIN.facts(), true)))
        .isEqualTo("screen: not mirrored, turned 0°");
    assertThat(EventWords.say(words, new BuildEvent.Saw("knob", Map.of("steps", "24"), true)))
        .as("a fact without words of its own is told by its name")
        .isEqualTo("knob: steps 24");
  }

  @Test
  void aFileIsWrittenWholeOrNotAtAll() throws IOException {
    Path file = folder.resolve("a/b/report.html");
    WholeFile.replace(file, "one".getBytes(StandardCharsets.UTF_8));
    WholeFile.replace(file, "two".getBytes(StandardCharsets.UTF_8));
    assertThat(file).hasContent("two");
    try (var left = Files.list(file.getParent())) {
      assertThat(left).containsExactly(file);
    }
    Files.createDirectory(folder.resolve("taken"));
    Files.writeString(folder.resolve("taken/x"), "x");
    org.assertj.core.api.Assertions.assertThatThrownBy(
            () -> WholeFile.replace(folder.resolve("taken"), new byte[0]))
        .isInstanceOf(IOException.class);
    try (var left = Files.list(folder)) {
      assertThat(left.map(p -> p.getFileName().toString()))
          .doesNotContain(".humble")
          .contains("taken");
    }
  }

  @Test
  void thePageSaysHowTheThingIsUsedAndWhoseHandsBuiltIt() {
    String page =
        page(
            new BuildEvent.Fitted("fit:R1", List.of("R1"), 2),
            new BuildEvent.CameAlong("kits/moth", "moth <b>.hcbuild", true),
            new BuildEvent.RestsOn("buoy-1", "Buoy & chain"),
            new BuildEvent.Acknowledged("rail33", "my sister <is> licensed"));
    assertThat(page)
        .contains("How it is used", "How it is not used", "Not in the rain")
        .contains("Another hand built a part of this")
        .contains("It rests on another build, <bdi>Buoy &amp; chain</bdi>")
        .contains("one part that another hand fitted")
        .contains("Went on at a stop", "my sister &lt;is&gt; licensed")
        .doesNotContain("<b>", "<is>");
    assertThat(page.indexOf("How it is used")).isLessThan(page.indexOf("Went on at a stop"));
  }

  @Test
  void photosStandInThePageAndOnesThatAreGoneAreSaid() throws Exception {
    BufferedImage image = new BufferedImage(40, 30, BufferedImage.TYPE_INT_RGB);
    ByteArrayOutputStream jpeg = new ByteArrayOutputStream();
    ImageIO.write(image, "jpg", jpeg);
    Files.createDirectories(folder.resolve("photos"));
    Files.write(folder.resolve("photos/0123456789abcdef.jpg"), jpeg.toByteArray());
    Kit kit = DemoKits.readGlowmoth();
    Build build =
        Build.of(
            "moth-1",
            List.of(
                new BuildEvent.Entry(
                    1, START, new BuildEvent.Began("Moth", kit.id(), "kits/glowmoth", 1)),
                new BuildEvent.Entry(
                    2,
                    START,
                    new BuildEvent.PhotoKept("photos/0123456789abcdef.jpg", "fit", "Fit <C1>")),
                new BuildEvent.Entry(
                    3,
                    START,
                    new BuildEvent.PhotoKept("photos/ffffffffffffffff.jpg", "fit", "Fit C2")),
                new BuildEvent.Entry(
                    4, START, new BuildEvent.PhotoKept("../../secret.jpg", "fit", "Fit C3"))));
    KeptPhotos photos = KeptPhotos.in(folder.resolve("photos"));
    String page = HtmlReport.of(kit, build, Locale.ENGLISH, ZoneOffset.UTC, photos);
    assertThat(page)
        .contains("img-src data:", "data:image/jpeg;base64,", "Fit &lt;C1&gt;")
        .contains("not among those of this bench any more");
    assertThat(page.split("<img ", -1)).as("one is there, two are not").hasSize(2);
    byte[] pdf = PdfReport.of(kit, build, Locale.ENGLISH, ZoneOffset.UTC, photos);
    try (PDDocument document = Loader.loadPDF(pdf)) {
      assertThat(new PDFTextStripper().getText(document)).contains("Fit <C1>", "any more");
      long images =
          StreamSupport.stream(document.getPages().spliterator(), false)
              .flatMap(each ->
                  StreamSupport.stream(each.getResources().getXObjectNames().spliterator(), false))
              .count();
      assertThat(images).isEqualTo(1);
    }
  }

  @Test
  void theSellerIsToldWhatIsThereAndWhatShouldBe() {
    Kit kit = DemoKits.readGlowmoth();
    Build build =
        Build.of(
            "moth-1",
            List.of(
                new BuildEvent.Entry(
                    1, START, new BuildEvent.Began("Moth", kit.id(), "kits/glowmoth", 1)),
                new BuildEvent.Entry(2, START, new BuildEvent.Counted("r220", 3))));
    int needed =
        kit.lines().stream().filter(l -> l.id().equals("r220")).findFirst().orElseThrow().needed();
    assertThat(new String(SellerList.bytes(kit, build), StandardCharsets.UTF_8))
        .contains("Missing from")
        .contains(needed - 3 + " × 220")
        .contains("should be " + needed + ", there are 3");
    assertThat(SellerList.of(kit, Build.of("moth-1", List.of()))).isEmpty();
  }

  @Test
  void theBuildsOfAClubAreHeldAgainstEachOtherOnAPage() {
    List<Build> builds = new ArrayList<>();
    for (int i = 0; i < 3; i++) {
      builds.add(
          Build.of(
              "moth-" + i,
              List.of(
                  new BuildEvent.Entry(
                      1, START, new BuildEvent.Began("Moth <" + i, "moth", "kits/moth", 1)),
                  new BuildEvent.Entry(
                      2,
                      START.plusSeconds(60L * (i + 1)),
                      new BuildEvent.Fitted("fit:R1", List.of("R1"), 2)),
                  new BuildEvent.Entry(
                      3,
                      START.plusSeconds(300),
                      new BuildEvent.JointSeen("R1.1", i == 0 ? "dry" : "good")))));
    }
    String page = ComparisonPage.of("moth <&>", Comparison.of(builds), Locale.ENGLISH);
    assertThat(page)
        .contains("3 builds of this kit", "<bdi>moth &lt;&amp;&gt;</bdi>")
        .contains("<bdi>fit:R1</bdi>: in 1 of 3", "<bdi>2.0</bdi> min")
        .doesNotContain("<script", "src=", "moth <");
    String none = ComparisonPage.of("moth", Comparison.of(builds.subList(1, 3)), Locale.ENGLISH);
    assertThat(none).contains("Nobody noted anything wrong.");
  }
}
