package humble.formats.guide;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** The guide as a whole: its pages in the order of the bench, and what is found in them. */
public final class GuideBook {
  /** The page of all keys. */
  public static final String KEYS = "keys";

  private static final String FOLDER = "/humble/guide/";
  private static final List<String> PAGES =
      List.of(
          "README",
          "shelf",
          "unpack",
          "sort",
          "plan",
          "fit",
          "power",
          "load",
          "wake",
          "mend",
          "close",
          "book",
          "along",
          "own",
          "practice",
          KEYS);
  private static final int LONGEST_SNIPPET = 90;

  private final List<GuidePage> pages;

  private GuideBook(List<GuidePage> pages) {
    this.pages = List.copyOf(pages);
  }

  /** Reads the guide that is shipped inside. */
  public static GuideBook shipped() {
    List<GuidePage> pages = new ArrayList<>();
    for (String id : PAGES) {
      try (InputStream in = GuideBook.class.getResourceAsStream(FOLDER + "pages/" + id + ".md")) {
        if (in == null) {
          throw new IllegalStateException("the page " + id + " of the guide is missing");
        }
        pages.add(GuideReader.page(id, new String(in.readAllBytes(), StandardCharsets.UTF_8)));
      } catch (IOException e) {
        throw new UncheckedIOException("the guide cannot be read", e);
      }
    }
    return new GuideBook(pages);
  }

  /** Makes a guide of some pages. */
  static GuideBook of(List<GuidePage> pages) {
    return new GuideBook(pages);
  }

  /** Gives the pages, in order. */
  public List<GuidePage> pages() {
    return pages;
  }

  /** Gives the page of that id; the first page where there is none. */
  public GuidePage page(String id) {
    return pages.stream().filter(page -> page.id().equals(id)).findFirst().orElse(pages.getFirst());
  }

  /** Gives the page that stands so far behind another, round the end. */
  public GuidePage beside(GuidePage page, int by) {
    return pages.get(Math.floorMod(pages.indexOf(page) + by, pages.size()));
  }

  /** Opens a picture of a page; empty where it is not shipped. */
  public static Optional<InputStream> picture(String file) {
    String name = file.substring(file.lastIndexOf('/') + 1);
    return Optional.ofNullable(GuideBook.class.getResourceAsStream(FOLDER + "pictures/" + name));
  }

  /**
   * Something that was found.
   *
   * @param page the page
   * @param section the heading above it; the title of the page where there is none
   * @param block which block of the page it is
   * @param text what stands there, shortened
   */
  public record Hit(GuidePage page, String section, int block, String text) {}

  /** A hit with how well it fits; less is better. */
  private record Ranked(Hit hit, int rank) {}

  /**
   * Gives where all of some words stand, each at the beginning of a word: headings first, then
   * keys, then text; in the order of the pages.
   *
   * @param words separated by blanks; none finds nothing
   */
  public List<Hit> find(String words) {
    List<String> wanted =
        List.of(words.toLowerCase(Locale.ROOT).strip().split("\\s+")).stream()
            .filter(word -> !word.isEmpty())
            .toList();
    List<Ranked> found = new ArrayList<>();
    if (wanted.isEmpty()) {
      return List.of();
    }
    for (GuidePage page : pages) {
      String section = page.title();
      if (holds(page.title(), wanted)) {
        found.add(new Ranked(new Hit(page, page.title(), 0, page.title()), 0));
      }
      for (int i = 0; i < page.blocks().size(); i++) {
        String text = "";
        int rank = 3;
        switch (page.blocks().get(i)) {
          case GuidePage.Heading heading -> {
            section = heading.text();
            text = heading.text();
            rank = 1;
          }
          case GuidePage.Item item -> {
            text = item.text();
            rank = page.id().equals(KEYS) ? 2 : 3;
          }
          case GuidePage.Paragraph paragraph -> text = paragraph.text();
          case GuidePage.Picture picture -> {}
        }
        if (!text.isEmpty() && holds(text, wanted)) {
          found.add(new Ranked(new Hit(page, section, i, snippet(text, wanted.getFirst())), rank));
        }
      }
    }
    return found.stream().sorted(Comparator.comparingInt(Ranked::rank)).map(Ranked::hit).toList();
  }

  private static boolean holds(String text, List<String> wanted) {
    List<String> words = List.of(text.toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}+−*/.?]+"));
    return wanted.stream().allMatch(want -> words.stream().anyMatch(word -> word.startsWith(want)));
  }

  /** The piece of a text in which a word stands. */
  private static String snippet(String text, String word) {
    if (text.length() <= LONGEST_SNIPPET) {
      return text;
    }
    int at = Math.max(0, text.toLowerCase(Locale.ROOT).indexOf(word));
    int from = Math.clamp(at - LONGEST_SNIPPET / 3, 0, text.length() - LONGEST_SNIPPET);
    int start = from == 0 ? 0 : text.indexOf(' ', from) + 1;
    int end = Math.min(text.length(), start + LONGEST_SNIPPET);
    int last = end == text.length() ? end : Math.max(start + 1, text.lastIndexOf(' ', end));
    return (start == 0 ? "" : "… ")
        + text.substring(start, last)
        + (last == text.length() ? "" : " …");
  }
}
