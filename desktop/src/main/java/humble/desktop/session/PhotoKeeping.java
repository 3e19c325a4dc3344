package humble.desktop.session;

import humble.core.words.Phrase;
import humble.formats.WholeFile;
import humble.photo.Photo;
import humble.photo.PhotoFile;
import humble.photo.PhotoRefused;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Optional;

/**
 * Keeps photos beside the journal: scaled down, as plain JPEG, without where and when they were
 * taken; named by what is in them, so that the same is kept once and nothing is written over.
 */
public final class PhotoKeeping {
  private static final int NAMED_BY = 32;
  private static final int LARGEST_PX = 1600;

  private PhotoKeeping() {}

  /**
   * What keeping a photo came to.
   *
   * @param name its name among the photos of the bench; empty where it was not kept
   * @param refused why it was not
   */
  public record Kept(String name, Optional<Phrase> refused) {}

  /** Reads a photo and keeps it. */
  public static Kept keep(Path file, Path photos) {
    try {
      return new Kept(write(PhotoFile.jpeg(small(PhotoFile.read(file))), photos), Optional.empty());
    } catch (PhotoRefused e) {
      return new Kept("", Optional.of(e.phrase()));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static BufferedImage small(Photo photo) {
    double factor = Math.max(1, Math.max(photo.widthPx(), photo.heightPx()) / (double) LARGEST_PX);
    BufferedImage image =
        new BufferedImage(
            (int) Math.max(1, photo.widthPx() / factor),
            (int) Math.max(1, photo.heightPx() / factor),
            BufferedImage.TYPE_INT_RGB);
    Graphics2D g = image.createGraphics();
    g.setRenderingHint(
        RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
    g.drawImage(photo.image(), 0, 0, image.getWidth(), image.getHeight(), null);
    g.dispose();
    return image;
  }

  /** Writes a JPEG among the photos and gives its name there, {@code photos/….jpg}. */
  public static String write(byte[] jpeg, Path photos) throws IOException {
    try {
      byte[] digest = MessageDigest.getInstance("SHA-256").digest(jpeg);
      String name = HexFormat.of().formatHex(digest).substring(0, NAMED_BY) + ".jpg";
      Files.createDirectories(photos);
      try {
        WholeFile.create(photos.resolve(name), jpeg);
      } catch (FileAlreadyExistsException e) {
        return "photos/" + name;
      }
      return "photos/" + name;
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }
}
