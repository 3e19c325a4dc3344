package humble.formats.label;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.intake.Draft;
import humble.core.intake.Intake;
import humble.core.kit.Choices;
import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.formats.kit.DemoKits;
import humble.formats.table.PartsTable;
import java.io.IOException;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;

class CupLabelsTest {
  private static String text(byte[] pdf) throws IOException {
    try (PDDocument document = Loader.loadPDF(pdf)) {
      return new PDFTextStripper().getText(document);
    }
  }

  private static Kit listed(String list) throws IOException {
    Draft draft =
        Intake.draft("Tide clock", PartsTable.parts(list, "l.csv").rows(), List.of(), Map.of());
    return draft.kit();
  }

  @Test
  void everyLineHasALabelWithItsValuePlacesAndBands() throws IOException {
    Kit kit = DemoKits.readGlowmoth();
    byte[] pdf = CupLabels.pdf(kit, Map.of(), Locale.ENGLISH);
    String text = text(pdf);
    for (Line line : CupLabels.lines(kit, Choices.leftOut(kit, Map.of()))) {
      assertThat(text).contains(line.id());
    }
    assertThat(text).contains("2.2 kΩ resistor", "R7 R8", "rd", "gd", "header 1×6", "1 piece,");
    try (PDDocument document = Loader.loadPDF(pdf)) {
      assertThat(document.getPage(0).getMediaBox().getWidth()).isEqualTo(PDRectangle.A4.getWidth());
    }
  }

  @Test
  void theSameKitGivesTheSameBytes() throws IOException {
    Kit kit = DemoKits.readGlowmoth();
    assertThat(CupLabels.pdf(kit, Map.of(), Locale.ENGLISH))
        .isEqualTo(CupLabels.pdf(kit, Map.of(), Locale.ENGLISH));
  }

  @Test
  void twentyFiveLinesNeedASecondSheetAndLongListsAreCounted() throws IOException {
    StringBuilder list = new StringBuilder("Ref,Value\n\"R100-R160\",9k1\n");
    for (int i = 1; i < 25; i++) {
      list.append("R").append(i).append(',').append(i).append("k\n");
    }
    byte[] pdf = CupLabels.pdf(listed(list.toString()), Map.of(), Locale.ENGLISH);
    assertThat(text(pdf)).contains("sheet 2 of 2").containsPattern("R\\d+ \\+\\d+");
    try (PDDocument document = Loader.loadPDF(pdf)) {
      assertThat(document.getNumberOfPages()).isEqualTo(2);
    }
  }

  @Test
  void whatTheFaceDoesNotHaveIsToldByItsNumberAndNotAFall() throws IOException {
    assertThat(text(CupLabels.pdf(listed("Ref,Value\nU1,灯\n"), Map.of(), Locale.ENGLISH)))
        .contains("<706F>");
  }
}
