package humble.desktop.own;

import humble.core.kit.Board;
import humble.core.kit.BoardPhoto;
import humble.core.kit.PointMm;
import humble.core.kit.SeenHole;
import humble.core.kit.Side;
import humble.core.words.Phrase;
import humble.desktop.session.PhotoKeeping;
import humble.formats.kit.KitFolder;
import humble.photo.FoundBoard;
import humble.photo.Photo;
import humble.photo.PhotoFile;
import humble.photo.PhotoRefused;
import humble.photo.Px;
import humble.photo.SidePicture;
import humble.photo.SidesAligned;
import humble.photo.Straightening;
import humble.photo.Straightening.Straightened;
import humble.photo.Watch;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javax.imageio.ImageIO;
import org.jspecify.annotations.Nullable;

/**
 * A photo in hand: as it was read, and what was made of it so far. Made in the background.
 *
 * @param small the photo for showing, at most so many pixels wide and high
 * @param board what was found in it; null where nothing was
 * @param size of the board; empty where nobody has said it, then the width is taken for 100 mm
 * @param flat straightened; null where no board was found
 * @param refused why there is none
 */
record PhotoTaken(
    Photo photo,
    Small small,
    @Nullable FoundBoard board,
    Optional<Size> size,
    @Nullable Straightened flat,
    Optional<Phrase> refused) {
  private static final int SHOWN_PX = 1400;
  private static final double UNKNOWN_MM = 100;

  /** A size, in millimetres. */
  record Size(double widthMm, double heightMm) {}

  /** A picture for showing. */
  record Small(int width, int height, int[] argb, double factor) {}

  /** Why a photo cannot be read. */
  record Read(@Nullable PhotoTaken taken, Optional<Phrase> refused) {}

  /** Reads a photo and looks for the board. */
  static Read read(Path file, Optional<Size> size, Watch watch) {
    try {
      Photo photo = PhotoFile.read(file);
      watch.at(0.05);
      return new Read(found(photo, small(photo), size, watch), Optional.empty());
    } catch (PhotoRefused e) {
      return new Read(null, Optional.of(e.phrase()));
    }
  }

  private static PhotoTaken found(Photo photo, Small small, Optional<Size> size, Watch watch) {
    try {
      FoundBoard board = FoundBoard.in(photo, watch);
      return straightened(photo, small, board, size, watch);
    } catch (PhotoRefused e) {
      return new PhotoTaken(photo, small, null, size, null, Optional.of(e.phrase()));
    }
  }

  private static PhotoTaken straightened(
      Photo photo, Small small, FoundBoard board, Optional<Size> size, Watch watch) {
    try {
      Size to = size.orElseGet(() -> new Size(UNKNOWN_MM, UNKNOWN_MM / board.proportion()));
      Straightened flat = board.straightened(to.widthMm(), to.heightMm(), watch);
      return new PhotoTaken(photo, small, board, size, flat, Optional.empty());
    } catch (PhotoRefused e) {
      return new PhotoTaken(photo, small, board, size, null, Optional.of(e.phrase()));
    }
  }

  /** The same photo for a board of that size. */
  PhotoTaken sized(Size to, Watch watch) {
    FoundBoard found = board;
    return found == null
        ? found(photo, small, Optional.of(to), watch)
        : straightened(photo, small, found, Optional.of(to), watch);
  }

  /** The same photo by corners that a hand has set. */
  PhotoTaken cornered(List<Px> corners, Watch watch) {
    Size to = size.orElse(new Size(UNKNOWN_MM, UNKNOWN_MM));
    try {
      Straightened by = Straightening.given(photo, corners, to.widthMm(), to.heightMm(), watch);
      return new PhotoTaken(photo, small, board, size, by, Optional.empty());
    } catch (PhotoRefused e) {
      return new PhotoTaken(photo, small, board, size, null, Optional.of(e.phrase()));
    }
  }

  private static Small small(Photo photo) {
    double factor = Math.max(1, Math.max(photo.widthPx(), photo.heightPx()) / (double) SHOWN_PX);
    int width = (int) (photo.widthPx() / factor);
    int height = (int) (photo.heightPx() / factor);
    BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_ARGB);
    Graphics2D g = image.createGraphics();
    g.setRenderingHint(
        RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
    g.drawImage(photo.image(), 0, 0, width, height, null);
    g.dispose();
    int[] argb = ((DataBufferInt) image.getRaster().getDataBuffer()).getData();
    return new Small(width, height, argb, factor);
  }

  /**
   * What keeping it came to.
   *
   * @param photo as the kit names it; null where it could not be kept
   */
  record Kept(@Nullable BoardPhoto photo, Optional<Phrase> refused, boolean unsure) {}

  /** Lays a straightened photo to what is known of its board, and writes it beside the kit. */
  Kept keep(PhotoOf of, Board board, List<PointMm> known, KitFolder kit, Path photos) {
    Straightened straight = flat;
    if (straight == null) {
      return new Kept(null, refused, false);
    }
    try {
      double wide = board.widthMm();
      double high = board.heightMm();
      SidePicture side = SidePicture.top(straight, wide, high);
      Optional<Double> fit = straight.fitMm();
      boolean unsure = false;
      if (of == PhotoOf.SOLDER && !known.isEmpty()) {
        SidesAligned sides =
            SidesAligned.of(known, straight.holes().stream().map(SeenHole::at).toList());
        side = SidePicture.solder(straight, sides, wide, high);
        fit = Optional.of(sides.fitMm());
        unsure = sides.unsure();
      } else if (of == PhotoOf.SOLDER) {
        side = mirrored(side, wide);
      } else if (of == PhotoOf.FITTED) {
        side = new SidePicture(upright(side.picture(), board, kit), List.of());
      }
      String name = PhotoKeeping.write(PhotoFile.jpeg(side.picture()), photos);
      return new Kept(
          new BoardPhoto(
              of == PhotoOf.SOLDER ? Side.BOTTOM : Side.TOP,
              of == PhotoOf.FITTED,
              name,
              fit.map(mm -> Math.round(mm * 1000) / 1000.0),
              side.holes()),
          Optional.empty(),
          unsure);
    } catch (PhotoRefused e) {
      return new Kept(null, Optional.of(e.phrase()), false);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static SidePicture mirrored(SidePicture side, double widthMm) {
    return new SidePicture(
        side.picture(),
        side.holes().stream()
            .map(hole ->
                new SeenHole(
                    new PointMm(widthMm - hole.at().xMm(), hole.at().yMm()), hole.diameterMm()))
            .toList());
  }

  /** The way up in which it is more like the photo of the bare board, where there is one. */
  private static BufferedImage upright(BufferedImage picture, Board board, KitFolder kit)
      throws IOException {
    Optional<BoardPhoto> bare = board.photo(Side.TOP, false);
    if (bare.isEmpty()) {
      return picture;
    }
    BufferedImage known = ImageIO.read(new ByteArrayInputStream(kit.bytes(bare.get().file())));
    if (known == null || !SidePicture.isOverHead(picture, known)) {
      return picture;
    }
    BufferedImage turned =
        new BufferedImage(picture.getWidth(), picture.getHeight(), BufferedImage.TYPE_INT_RGB);
    Graphics2D g = turned.createGraphics();
    g.rotate(Math.PI, picture.getWidth() / 2.0, picture.getHeight() / 2.0);
    g.drawImage(picture, 0, 0, null);
    g.dispose();
    return turned;
  }
}
