package humble.formats.template;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import humble.core.casing.DrillTemplate;
import humble.core.kit.Enclosure;
import humble.core.kit.Kit;
import humble.formats.kit.DemoKits;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.PDFTextStripperByArea;
import org.junit.jupiter.api.Test;

/** Templates at their true size, judged by what is printed. */
class TemplatePdfTest {
  private static Kit kit(String name) {
    return ((KitRead.Opened) KitFolder.at(DemoKits.all().getFirst().resolveSibling(name)).read())
        .kit();
  }

  private static BufferedImage printed(byte[] pdf, int page) throws IOException {
    try (PDDocument document = Loader.loadPDF(pdf)) {
      return new PDFRenderer(document).renderImageWithDPI(page, 254);
    }
  }

  private static boolean isDark(BufferedImage image, double xMm, double yMm) {
    int x = (int) Math.round(xMm * 10);
    int y = image.getHeight() - (int) Math.round(yMm * 10);
    for (int dx = -2; dx <= 2; dx++) {
      for (int dy = -2; dy <= 2; dy++) {
        if ((image.getRGB(x + dx, y + dy) & 0xff) < 160) {
          return true;
        }
      }
    }
    return false;
  }

  @Test
  void aLightHasAHoleWhereItStandsAndAsWideAsItIs() {
    DrillTemplate front = DrillTemplate.of(kit("lockkeeper"), Map.of()).getFirst();
    assertThat(front.title()).isEqualTo("front panel");
    Kit kit = kit("lockkeeper");
    for (String ref : List.of("LED1", "LED25")) {
      var place = kit.placeOf(ref).orElseThrow();
      assertThat(front.holes())
          .filteredOn(hole -> hole.ref().equals(ref))
          .singleElement()
          .satisfies(hole -> {
            assertThat(hole.at()).isEqualTo(place.at());
            double mm = ((DrillTemplate.Hole.Round) hole).mm();
            String pack = kit.lineOf(ref).orElseThrow().packageId();
            assertThat(mm).isCloseTo(pack.equals("led-5") ? 5.2 : 3.2, within(1e-9));
          });
    }
    assertThat(front.holes())
        .extracting(DrillTemplate.Hole::ref)
        .contains("S2")
        .doesNotContain("R37");
  }

  /** Printed at 254 dots an inch a millimetre is ten dots: the ruler is laid on the picture. */
  @Test
  void whatIsPrintedIsAsLargeAsItIs() throws IOException {
    Kit kit = kit("lockkeeper");
    TemplatePdf.Made made = TemplatePdf.of(kit, Map.of(), Locale.ENGLISH);
    BufferedImage sheet = printed(made.bytes(), 0);
    assertThat(sheet.getWidth()).isCloseTo(2100, within(2));
    assertThat(isDark(sheet, 15, 18)).as("the rule begins").isTrue();
    assertThat(isDark(sheet, 115, 18)).as("100 mm further on it ends").isTrue();
    assertThat(isDark(sheet, 117, 18)).isFalse();
    for (DrillTemplate.Hole hole : DrillTemplate.of(kit, Map.of()).getFirst().holes()) {
      if (hole instanceof DrillTemplate.Hole.Round round) {
        double x = 15 + round.at().xMm();
        double y = 28 + round.at().yMm();
        double off = round.mm() / 2 * Math.sqrt(0.5);
        assertThat(isDark(sheet, x - off, y - off)).as(round.ref() + ": its circle").isTrue();
        assertThat(isDark(sheet, x, y)).as(round.ref() + ": its middle").isTrue();
      }
    }
  }

  @Test
  void whatIsLargerThanASheetGoesOverSeveralThatShareAMargin() {
    assertThat(TemplatePdf.tiles(180, 180)).isEqualTo(1);
    assertThat(TemplatePdf.tiles(181, 180)).isEqualTo(2);
    for (int mm = 100; mm < 900; mm += 7) {
      int tiles = TemplatePdf.tiles(mm, 180);
      assertThat(tiles * 180 - (tiles - 1) * 10)
          .as("all of it is printed")
          .isGreaterThanOrEqualTo(mm);
      assertThat((tiles - 1) * 180 - Math.max(0, tiles - 2) * 10)
          .as("on no sheet too many")
          .isLessThan(Math.max(mm, 1));
    }
  }

  @Test
  void wiresAreListedByLengthAndTerminalsByWhatIsOnThem() throws IOException {
    Kit kit = kit("weathercock");
    assertThat(kit.handwork().wires()).isNotEmpty();
    TemplatePdf.Made made = TemplatePdf.of(kit, Map.of(), Locale.ENGLISH);
    try (PDDocument document = Loader.loadPDF(made.bytes())) {
      assertThat(document.getNumberOfPages()).isEqualTo(made.pages());
      String text = new PDFTextStripper().getText(document);
      kit.handwork().wires().forEach(wire -> assertThat(text).contains(wire.id() + ": "));
    }
    assertThat(TemplatePdf.of(kit("sandglass"), Map.of(), Locale.ENGLISH).pages()).isZero();
  }

  /** A legend stands below the opening of its part; one without an opening is said. */
  @Test
  void whatIsPrintedOnTheFrontStandsBelowItsOpening() throws IOException {
    Kit kit = kit("lockkeeper");
    assertThat(kit.casing().orElseThrow().legends()).isNotEmpty();
    TemplatePdf.Made made = TemplatePdf.of(kit, Map.of(), Locale.ENGLISH);
    DrillTemplate front = DrillTemplate.of(kit, Map.of()).getFirst();
    try (PDDocument document = Loader.loadPDF(made.bytes())) {
      assertThat(new PDFTextStripper().getText(document)).contains("Legend of front panel", "RUN");
      for (Enclosure.Legend legend : kit.casing().orElseThrow().legends()) {
        DrillTemplate.Hole hole =
            front.holes().stream()
                .filter(each -> each.ref().equals(legend.ref()))
                .findFirst()
                .orElseThrow();
        PDFTextStripperByArea area = new PDFTextStripperByArea();
        double high = document.getPage(1).getMediaBox().getHeight();
        double point = 72 / 25.4;
        area.addRegion(
            "below",
            new Rectangle2D.Double(
                (15 + hole.at().xMm() - 6) * point,
                high - (28 + hole.at().yMm() - 1) * point,
                12 * point,
                14 * point));
        area.extractRegions(document.getPage(1));
        assertThat(area.getTextForRegion("below")).as(legend.ref()).contains(legend.text());
      }
    }
  }
}
