package humble.desktop.guide;

import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import humble.formats.guide.GuideBook;
import humble.formats.guide.GuidePage;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.image.Image;

/** A page of the guide, as a sheet of paper. */
record GuideMat(GuidePage page, Scrolled scrolled, String place) implements Mat {
  private static final Map<String, Image> PICTURES = new HashMap<>();
  private static final double MARGIN_PX = 48;
  private static final double TEXT_PX = 17;
  private static final double LINE_PX = 25;
  private static final double HEADING_PX = 21;
  private static final double TITLE_PX = 30;
  private static final double WIDEST_PX = 760;
  private static final double PICTURE_SHARE = 0.62;

  @Override
  public void paint(Pen pen, double w, double h) {
    double wide = Math.min(WIDEST_PX, w - 2 * MARGIN_PX);
    double left = (w - wide) / 2;
    double top = 20;
    double tall = h - 52;
    pen.box(left - 28, top, wide + 56, tall, 4, Token.CARD, Token.LINE);
    double bottom = lay(pen, left, wide, 0, false);
    scrolled.drawn(bottom, tall - 32);
    pen.within(left - 28, top + 8, wide + 56, tall - 16, () -> lay(pen, left, wide, top, true));
    pen.text(place, w / 2, h - 15, 14, Token.INK_SOFT, Pen.Hang.MIDDLE);
    if (scrolled.hasMore()) {
      pen.shape(
          List.of(
              new double[] {left + wide + 6, top + tall - 26},
              new double[] {left + wide + 20, top + tall - 26},
              new double[] {left + wide + 13, top + tall - 16}),
          Token.COPPER,
          null);
    }
  }

  /** Lays the page out, or draws it; gives where it ends. */
  private double lay(Pen pen, double left, double wide, double top, boolean ink) {
    double y = top + 44 - (ink ? scrolled.top() : 0);
    if (ink) {
      pen.bold(page.title(), left, y, TITLE_PX, Token.INK, Pen.Hang.LEFT);
    }
    y += 44;
    for (int i = 0; i < page.blocks().size(); i++) {
      if (!ink) {
        scrolled.laid(i, y);
      }
      if (i + 1 < page.blocks().size()
          && page.blocks().get(i) instanceof GuidePage.Picture picture
          && page.blocks().get(i + 1) instanceof GuidePage.Paragraph paragraph) {
        y = picture(pen, picture, paragraph.text(), left, wide, y, ink);
        i++;
      } else {
        y = block(pen, page.blocks().get(i), left, wide, y, ink);
      }
    }
    return y + 24;
  }

  private double block(
      Pen pen, GuidePage.Block block, double left, double wide, double y, boolean ink) {
    return switch (block) {
      case GuidePage.Heading heading -> {
        if (ink) {
          pen.bold(heading.text(), left, y + 16, HEADING_PX, Token.INK, Pen.Hang.LEFT);
        }
        yield y + 46;
      }
      case GuidePage.Paragraph paragraph -> lines(pen, paragraph.text(), left, wide, y, ink) + 10;
      case GuidePage.Item item -> {
        if (ink) {
          pen.disc(left + 6, y, 4, Token.COPPER, null, 0);
        }
        yield lines(pen, item.text(), left + 22, wide - 22, y, ink) + 2;
      }
      case GuidePage.Picture picture -> picture(pen, picture, picture.text(), left, wide, y, ink);
    };
  }

  private static double lines(
      Pen pen, String text, double left, double wide, double y, boolean ink) {
    double at = y;
    for (String line : wrapped(text, wide)) {
      if (ink) {
        pen.text(line, left, at, TEXT_PX, Token.INK, Pen.Hang.LEFT);
      }
      at += LINE_PX;
    }
    return at;
  }

  /** Cuts a text into lines that fit. */
  static List<String> wrapped(String text, double wide) {
    List<String> lines = new ArrayList<>();
    StringBuilder line = new StringBuilder();
    for (String word : text.split(" ")) {
      String longer = line.isEmpty() ? word : line + " " + word;
      if (!line.isEmpty() && Pen.width(longer, TEXT_PX, false) > wide) {
        lines.add(line.toString());
        line.setLength(0);
        line.append(word);
      } else {
        line.setLength(0);
        line.append(longer);
      }
    }
    lines.add(line.toString());
    return lines;
  }

  /** A picture with what it shows beside it; what is longer goes on below. */
  private static double picture(
      Pen pen,
      GuidePage.Picture picture,
      String text,
      double left,
      double wide,
      double y,
      boolean ink) {
    Optional<Image> image = image(picture.file());
    if (image.isEmpty()) {
      return lines(pen, text, left, wide, y, ink) + 10;
    }
    double across = wide * PICTURE_SHARE;
    double tall = across * image.get().getHeight() / image.get().getWidth();
    if (ink) {
      pen.image(image.get(), Math.round(left), Math.round(y - 12), across, tall);
      pen.box(left, y - 12, across, tall, 0, null, Token.LINE);
    }
    double below = lines(pen, text, left + across + 20, wide - across - 20, y, ink);
    return Math.max(y + tall + 14, below + 10);
  }

  /** Pictures are read once; one that is not shipped is told by its words. */
  private static Optional<Image> image(String file) {
    Image known = PICTURES.get(file);
    if (known != null) {
      return Optional.of(known);
    }
    Optional<InputStream> found = GuideBook.picture(file);
    found.ifPresent(stream -> {
      try (InputStream in = stream) {
        PICTURES.put(file, new Image(in));
      } catch (IOException e) {
        throw new UncheckedIOException("the picture " + file + " cannot be read", e);
      }
    });
    return Optional.ofNullable(PICTURES.get(file));
  }

  @Override
  public String spoken() {
    StringBuilder all = new StringBuilder(page.title());
    for (GuidePage.Block block : page.blocks()) {
      all.append(". ")
          .append(
              switch (block) {
                case GuidePage.Heading heading -> heading.text();
                case GuidePage.Paragraph paragraph -> paragraph.text();
                case GuidePage.Item item -> item.text();
                case GuidePage.Picture picture -> picture.text();
              });
    }
    return all.toString();
  }
}
