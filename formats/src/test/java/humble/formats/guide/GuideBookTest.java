package humble.formats.guide;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

/** Pages of the guide, and what is found in them. */
class GuideBookTest {
  private static GuideBook two() {
    return GuideBook.of(
        List.of(
            GuideReader.page(
                "fit",
                """
                # Fit

                ![The board](../screenshots/fit.png)

                Which way *round*, by `0` and a
                landmark. See [Power](power.md).

                ## Turn and flip

                - first thing
                - second `F6` thing
                """),
            GuideReader.page("keys", "# All keys\n\n## Fit\n\n- `F` flip\n- `0` turn back\n")));
  }

  @Test
  void aPageIsReadWithoutItsMarks() {
    GuidePage page = two().page("fit");
    assertThat(page.title()).isEqualTo("Fit");
    assertThat(page.blocks())
        .containsExactly(
            new GuidePage.Picture("../screenshots/fit.png", "The board"),
            new GuidePage.Paragraph("Which way round, by 0 and a landmark. See Power."),
            new GuidePage.Heading("Turn and flip"),
            new GuidePage.Item("first thing"),
            new GuidePage.Item("second F6 thing"));
  }

  @Test
  void headingsComeFirstThenKeysThenText() {
    assertThat(two().find("flip"))
        .extracting(hit -> hit.page().id() + "/" + hit.text())
        .containsExactly("fit/Turn and flip", "keys/F flip");
    assertThat(two().find("turn"))
        .extracting(GuideBook.Hit::text)
        .containsExactly("Turn and flip", "0 turn back");
  }

  @Test
  void everyWordHasToBeginSomewhere() {
    assertThat(two().find("land way"))
        .singleElement()
        .satisfies(hit -> {
          assertThat(hit.section()).isEqualTo("Fit");
          assertThat(hit.block()).isEqualTo(1);
        });
    assertThat(two().find("LAND")).hasSize(1);
    assertThat(two().find("andmark")).as("in the middle of a word it is not found").isEmpty();
    assertThat(two().find("land nowhere")).isEmpty();
    assertThat(two().find("  ")).isEmpty();
  }

  @Test
  void longTextIsShortenedAroundTheWord() {
    GuideBook book =
        GuideBook.of(
            List.of(
                GuideReader.page(
                    "long", "# Long\n\n" + "word ".repeat(60) + "needle " + "word ".repeat(60))));
    assertThat(book.find("needle"))
        .singleElement()
        .satisfies(hit ->
            assertThat(hit.text())
                .contains("needle")
                .startsWith("…")
                .endsWith("…")
                .hasSizeLessThan(120));
  }

  @Test
  void pagesFollowEachOtherRoundTheEnd() {
    GuideBook book = two();
    assertThat(book.beside(book.page("keys"), 1).id()).isEqualTo("fit");
    assertThat(book.beside(book.page("fit"), -1).id()).isEqualTo("keys");
    assertThat(book.page("no such page").id()).isEqualTo("fit");
  }

  @Test
  void whatIsShippedIsWholeAndHasItsPictures() {
    GuideBook book = GuideBook.shipped();
    assertThat(book.pages()).hasSizeGreaterThan(14);
    for (GuidePage page : book.pages()) {
      assertThat(page.title()).as(page.id()).isNotBlank();
      assertThat(page.blocks()).as(page.id()).isNotEmpty();
      page.blocks().stream()
          .filter(GuidePage.Picture.class::isInstance)
          .map(GuidePage.Picture.class::cast)
          .forEach(picture ->
              assertThat(GuideBook.picture(picture.file())).as(picture.file()).isPresent());
    }
    assertThat(GuideBook.picture("../screenshots/none.png")).isEmpty();
  }
}
