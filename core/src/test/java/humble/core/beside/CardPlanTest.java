package humble.core.beside;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.kit.CardFolder;
import humble.core.kit.CardFolder.FileSystem;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class CardPlanTest {
  private static CardFolder card(FileSystem system, long bytes, boolean shortNames, String... to) {
    return new CardFolder(
        "c",
        "",
        system,
        bytes,
        3,
        shortNames,
        Stream.of(to).map(each -> new CardFolder.Placed("a", each)).toList(),
        "");
  }

  private static List<String> said(CardFolder card, long size) {
    return CardPlan.problems(card, Map.of("a", size)).stream()
        .map(each -> each.path() + "|" + each.text())
        .toList();
  }

  @Test
  void namesThatACardCannotBearAreNamed() {
    for (String bad :
        new String[] {
          "../up.txt",
          "a/../b",
          "/top",
          "a//b",
          "a/",
          "what?.txt",
          "a:b",
          "a\\b",
          "nul",
          "Com1.txt",
          "point.",
          " blank",
          "blank ",
          "tab\there",
          "x".repeat(256),
          ""
        }) {
      assertThat(said(card(FileSystem.FAT32, 0, false, bad), 1)).as(bad).hasSize(1);
    }
    for (String good :
        new String[] {"LEVELS/BOATS.LEV", "a b.txt", "önd.txt", "com", "console.txt"}) {
      assertThat(said(card(FileSystem.FAT32, 0, false, good), 1)).as(good).isEmpty();
    }
    for (String longName : new String[] {"levels/a.lev", "TOOLONGNAME.TXT", "A.TEXT", "A B.TXT"}) {
      assertThat(said(card(FileSystem.FAT32, 0, true, longName), 1)).as(longName).hasSize(1);
    }
    assertThat(said(card(FileSystem.FAT32, 0, true, "LEVELS/A-1.LEV"), 1)).isEmpty();
  }

  @Test
  void whatIsTheSameOnACardIsNamed() {
    assertThat(said(card(FileSystem.FAT32, 0, false, "A/b.txt", "a/B.TXT"), 1))
        .containsExactly("a/B.TXT|On the card it is the same as A/b.txt.");
    assertThat(said(card(FileSystem.FAT32, 0, false, "A", "a/B"), 1))
        .containsExactly("A|It would be a file and a folder.");
  }

  @Test
  void sizesAndCountsAreThoseOfTheCard() {
    assertThat(said(card(FileSystem.FAT16, 0, false, "a"), 0x8000_0000L)).hasSize(1);
    assertThat(said(card(FileSystem.FAT32, 0, false, "a"), 0x8000_0000L)).isEmpty();
    assertThat(said(card(FileSystem.FAT32, 0, false, "a"), 0x1_0000_0000L)).hasSize(1);
    assertThat(said(card(FileSystem.EXFAT, 0, false, "a"), 0x1_0000_0000L)).isEmpty();
    assertThat(said(card(FileSystem.FAT32, 65_536, false, "a", "b"), 32_768)).isEmpty();
    assertThat(said(card(FileSystem.FAT32, 65_536, false, "a", "b"), 32_769)).hasSize(1);
    assertThat(said(card(FileSystem.FAT32, 0, false, "a", "b", "c", "d"), 1))
        .containsExactly("|4 files; the program looks at 3.");
    List<String> many = new ArrayList<>();
    for (int i = 0; i < 256; i++) {
      many.add("a long name, number " + i);
    }
    assertThat(said(card(FileSystem.FAT16, 0, false, many.toArray(String[]::new)), 1))
        .anyMatch(each -> each.contains("has room for 512 names"));
  }
}
