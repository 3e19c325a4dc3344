package humble.formats.template;

import humble.core.casing.DrillTemplate;
import humble.core.craft.WireTable;
import humble.core.kit.Enclosure;
import humble.core.kit.Kit;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.WireRun;
import humble.core.words.ForeignText;
import humble.core.words.Words;
import humble.formats.pdf.PdfFace;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;

/**
 * Templates of a kit as PDF at 1:1, A4: a sheet for every plate that something comes through, wires
 * by length, terminals by what is on them. Every sheet has a scale to check before anything is
 * drilled. What is larger than a sheet goes over several, with a margin that is on both.
 */
public final class TemplatePdf {
  private static final double SHEET_W_MM = 180;
  private static final double SHEET_H_MM = 240;
  private static final double BOTH_MM = 10;
  private static final int ROWS = 44;

  private final PDDocument document;
  private final PdfFace face;
  private final Words words;
  private final Words core;
  private final Kit kit;
  private final Map<String, String> choices;

  private TemplatePdf(PDDocument document, Kit kit, Map<String, String> choices, Locale locale)
      throws IOException {
    this.document = document;
    this.choices = choices;
    this.kit = kit;
    this.words = Words.of("humble.formats.template.templates", locale).naming(ForeignText::shown);
    this.core = Words.core(locale).naming(ForeignText::shown);
    this.face = PdfFace.of(document);
  }

  /**
   * What was made.
   *
   * @param bytes the document; empty where a kit has nothing that needs a template
   * @param pages how many pages
   */
  public record Made(byte[] bytes, int pages) {}

  /**
   * Makes the sheets of a kit; the same kit gives the same sheets.
   *
   * @throws IOException when the document cannot be made
   */
  public static Made of(Kit kit, Map<String, String> choices, Locale locale) throws IOException {
    try (PDDocument document = new PDDocument()) {
      document.setDocumentId(1L);
      document.getDocumentInformation().setTitle(ForeignText.shown(kit.name()));
      TemplatePdf pdf = new TemplatePdf(document, kit, choices, locale);
      for (DrillTemplate template : DrillTemplate.of(kit, choices)) {
        pdf.drill(template);
        pdf.legend(template);
      }
      pdf.list("template.wires", pdf.wires());
      pdf.list("template.terminals", pdf.terminals());
      if (document.getNumberOfPages() == 0) {
        return new Made(new byte[0], 0);
      }
      ByteArrayOutputStream bytes = new ByteArrayOutputStream();
      document.save(bytes);
      return new Made(bytes.toByteArray(), document.getNumberOfPages());
    }
  }

  private Sheet sheet(String title) throws IOException {
    PDPage page = new PDPage(PDRectangle.A4);
    document.addPage(page);
    Sheet sheet = new Sheet(document, page, face);
    sheet.text(13, 15, 280, title);
    sheet.text(
        8,
        15,
        8,
        words.say("template.foot", kit.name(), kit.revision(), document.getNumberOfPages()));
    sheet.scale(15, 16, words.say("template.check"));
    return sheet;
  }

  private void drill(DrillTemplate template) throws IOException {
    int across = tiles(template.widthMm(), SHEET_W_MM);
    int up = tiles(template.heightMm(), SHEET_H_MM);
    for (int row = 0; row < up; row++) {
      for (int column = 0; column < across; column++) {
        String part =
            across * up == 1
                ? ""
                : " " + words.say("template.part", row * across + column + 1, across * up);
        try (Sheet sheet = sheet(words.say("template.drill", template.title()) + part)) {
          double x = column * (SHEET_W_MM - BOTH_MM);
          double y = row * (SHEET_H_MM - BOTH_MM);
          sheet.plate(template, x, y, SHEET_W_MM, SHEET_H_MM);
          sheet.text(
              9,
              15,
              274,
              words.say(
                  "template.outside", template.board(), template.widthMm(), template.heightMm()));
        }
      }
    }
  }

  /** What is printed on the outside of a plate, where it stands below its openings. */
  private void legend(DrillTemplate template) throws IOException {
    List<Enclosure.Legend> all = kit.casing().map(Enclosure::legends).orElse(List.of());
    Set<String> open =
        template.holes().stream().map(DrillTemplate.Hole::ref).collect(Collectors.toSet());
    List<Enclosure.Legend> here =
        all.stream().filter(legend -> open.contains(legend.ref())).toList();
    if (here.isEmpty()) {
      return;
    }
    int across = tiles(template.widthMm(), SHEET_W_MM);
    int up = tiles(template.heightMm(), SHEET_H_MM);
    for (int row = 0; row < up; row++) {
      for (int column = 0; column < across; column++) {
        try (Sheet sheet = sheet(words.say("template.legend", template.title()))) {
          sheet.legend(
              template,
              here,
              column * (SHEET_W_MM - BOTH_MM),
              row * (SHEET_H_MM - BOTH_MM),
              SHEET_W_MM,
              SHEET_H_MM);
          List<String> without = withoutOpening(all);
          if (!without.isEmpty()) {
            sheet.text(
                9, 15, 274, words.say("template.legend.without", String.join(", ", without)));
          }
        }
      }
    }
  }

  /** What is to be printed at a part that comes through no plate. */
  private List<String> withoutOpening(List<Enclosure.Legend> all) {
    Set<String> open =
        DrillTemplate.of(kit, choices).stream()
            .flatMap(template -> template.holes().stream())
            .map(DrillTemplate.Hole::ref)
            .collect(Collectors.toSet());
    return all.stream().map(Enclosure.Legend::ref).filter(ref -> !open.contains(ref)).toList();
  }

  static int tiles(double mm, double sheetMm) {
    return mm <= sheetMm ? 1 : (int) Math.ceil((mm - BOTH_MM) / (sheetMm - BOTH_MM));
  }

  private List<String> wires() {
    List<String> rows = new ArrayList<>();
    for (WireTable.Row row : WireTable.of(Parts.of(kit), kit.handwork().wires())) {
      WireRun wire = row.wire();
      rows.add(
          words.say(
              "template.wire",
              wire.id(),
              wire.colour().isEmpty() ? words.say("template.any") : wire.colour(),
              wire.lengthMm() > 0 ? 1 : 0,
              wire.lengthMm(),
              wire.from(),
              wire.to(),
              row.function().isEmpty() ? words.say("template.other") : row.function()));
      if (row.warning().isPresent()) {
        rows.add("    " + core.say(row.warning().get()));
      }
    }
    return rows;
  }

  /** What is on each terminal: covered by the case, nobody can read the board any more. */
  private List<String> terminals() {
    Parts parts = Parts.of(kit);
    List<String> rows = new ArrayList<>();
    for (Part part : parts.all()) {
      boolean terminal =
          part.pack().id().startsWith("terminal-")
              || part.line().kind() == PartKind.CONNECTOR && part.pack().id().startsWith("header-");
      if (terminal) {
        part.pack()
            .pins()
            .forEach(pin ->
                rows.add(
                    words.say(
                        "template.terminal",
                        part.ref(),
                        pin.number(),
                        parts
                            .netOf(new PinRef(part.ref(), pin.number()))
                            .orElseGet(() -> words.say("template.nothing")))));
      }
    }
    return rows;
  }

  private void list(String title, List<String> rows) throws IOException {
    for (int from = 0; from < rows.size(); from += ROWS) {
      try (Sheet sheet = sheet(words.say(title))) {
        for (int i = from; i < Math.min(rows.size(), from + ROWS); i++) {
          sheet.text(10, 15, 268 - (i - from) * 5.4, rows.get(i));
        }
      }
    }
  }
}
