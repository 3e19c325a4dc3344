package humble.formats.guide;

import java.util.List;

/**
 * A page of the guide.
 *
 * @param id name of its file, without the ending
 * @param title its first heading
 * @param blocks what stands in it after that, in order
 */
public record GuidePage(String id, String title, List<Block> blocks) {
  public GuidePage {
    blocks = List.copyOf(blocks);
  }

  /** One thing that stands on a page. */
  public sealed interface Block {}

  /** The name of what follows. */
  public record Heading(String text) implements Block {}

  /** A paragraph. */
  public record Paragraph(String text) implements Block {}

  /** One of several things below each other. */
  public record Item(String text) implements Block {}

  /**
   * A picture.
   *
   * @param file its place among the resources of the guide
   * @param text what it shows
   */
  public record Picture(String file, String text) implements Block {}
}
