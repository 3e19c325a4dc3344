package humble.formats.guide;

import java.util.ArrayList;
import java.util.List;
import org.commonmark.node.AbstractVisitor;
import org.commonmark.node.BulletList;
import org.commonmark.node.Code;
import org.commonmark.node.Heading;
import org.commonmark.node.Image;
import org.commonmark.node.ListItem;
import org.commonmark.node.Node;
import org.commonmark.node.OrderedList;
import org.commonmark.node.Paragraph;
import org.commonmark.node.SoftLineBreak;
import org.commonmark.node.Text;
import org.commonmark.parser.Parser;

/** Reads a page of Markdown; what a page has no use for stays out of it. */
final class GuideReader extends AbstractVisitor {
  private final List<GuidePage.Block> blocks = new ArrayList<>();
  private String title = "";

  private GuideReader() {}

  static GuidePage page(String id, String markdown) {
    GuideReader reader = new GuideReader();
    Parser.builder().build().parse(markdown).accept(reader);
    return new GuidePage(id, reader.title, reader.blocks);
  }

  @Override
  public void visit(Heading heading) {
    if (heading.getLevel() == 1 && title.isEmpty()) {
      title = plain(heading);
    } else {
      blocks.add(new GuidePage.Heading(plain(heading)));
    }
  }

  @Override
  public void visit(Paragraph paragraph) {
    if (paragraph.getFirstChild() instanceof Image image) {
      blocks.add(new GuidePage.Picture(image.getDestination(), plain(image)));
    } else {
      blocks.add(new GuidePage.Paragraph(plain(paragraph)));
    }
  }

  @Override
  public void visit(BulletList list) {
    items(list);
  }

  @Override
  public void visit(OrderedList list) {
    items(list);
  }

  private void items(Node list) {
    for (Node item = list.getFirstChild(); item != null; item = item.getNext()) {
      if (item instanceof ListItem) {
        blocks.add(new GuidePage.Item(plain(item)));
      }
    }
  }

  /** The words of a piece, without its marks; keys keep no ticks. */
  private static String plain(Node node) {
    StringBuilder text = new StringBuilder();
    node.accept(
        new AbstractVisitor() {
          @Override
          public void visit(Text piece) {
            text.append(piece.getLiteral());
          }

          @Override
          public void visit(Code piece) {
            text.append(piece.getLiteral());
          }

          @Override
          public void visit(SoftLineBreak piece) {
            text.append(' ');
          }

          @Override
          public void visit(Heading heading) {
            visitChildren(heading);
          }
        });
    return text.toString().strip();
  }
}
