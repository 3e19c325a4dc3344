package humble.photo;

import com.drew.imaging.ImageMetadataReader;
import com.drew.imaging.ImageProcessingException;
import com.drew.metadata.Metadata;
import com.drew.metadata.MetadataException;
import com.drew.metadata.exif.ExifIFD0Directory;
import humble.core.words.Phrase;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Iterator;
import java.util.Locale;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageInputStream;
import javax.imageio.stream.MemoryCacheImageInputStream;

/** Reads photos as cameras and telephones write them, JPEG or PNG, and writes straightened ones. */
public final class PhotoFile {
  private static final long MOST_BYTES = 100_000_000;
  private static final long MOST_PX = 120_000_000;
  private static final long WHOLE_PX = 24_000_000;
  private static final int LEAST_PX = 100;
  private static final float QUALITY = 0.85f;

  private PhotoFile() {}

  /** Tells whether a file is a picture by its name, be it one that is read here or not. */
  public static boolean isNamed(String name) {
    return name.toLowerCase(Locale.ROOT)
        .matches(".*\\.(jpe?g|png|heic|heif|avif|webp|gif|bmp|tiff?)");
  }

  /**
   * Reads a photo and turns it as it is looked at. Of very large ones every second pixel is read.
   *
   * @throws PhotoRefused when it is no photo, or one that is too large or too small
   */
  public static Photo read(Path file) throws PhotoRefused {
    byte[] bytes;
    try {
      if (!Files.isRegularFile(file)) {
        throw new PhotoRefused(Phrase.of("photo.file.none"));
      }
      if (Files.size(file) > MOST_BYTES) {
        throw new PhotoRefused(
            Phrase.of("photo.file.large", Files.size(file) / 1_000_000, MOST_BYTES / 1_000_000));
      }
      bytes = Files.readAllBytes(file);
    } catch (NoSuchFileException e) {
      throw new PhotoRefused(Phrase.of("photo.file.none"));
    } catch (IOException e) {
      throw new PhotoRefused(Phrase.of("photo.file.unreadable"));
    }
    return read(bytes);
  }

  /**
   * Reads a photo from its bytes.
   *
   * @throws PhotoRefused when it is no photo, or one that is too large or too small
   */
  public static Photo read(byte[] bytes) throws PhotoRefused {
    try (ImageInputStream in = new MemoryCacheImageInputStream(new ByteArrayInputStream(bytes))) {
      Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
      if (!readers.hasNext()) {
        throw new PhotoRefused(Phrase.of("photo.file.strange"));
      }
      ImageReader reader = readers.next();
      try {
        String format = reader.getFormatName().toLowerCase(Locale.ROOT);
        if (!format.equals("jpeg") && !format.equals("png")) {
          throw new PhotoRefused(Phrase.of("photo.file.strange"));
        }
        reader.setInput(in, true, true);
        return Photo.of(pixels(reader), turn(bytes));
      } finally {
        reader.dispose();
      }
    } catch (IOException
        | IllegalArgumentException
        | IndexOutOfBoundsException
        | NegativeArraySizeException e) {
      throw new PhotoRefused(Phrase.of("photo.file.damaged"));
    }
  }

  private static BufferedImage pixels(ImageReader reader) throws IOException, PhotoRefused {
    // The size stands in the head: nothing is unpacked before it is known.
    long width = reader.getWidth(0);
    long height = reader.getHeight(0);
    if (width * height > MOST_PX) {
      throw new PhotoRefused(
          Phrase.of("photo.file.pixels", Math.round(width * height / 1e6), MOST_PX / 1_000_000));
    }
    if (Math.min(width, height) < LEAST_PX) {
      throw new PhotoRefused(Phrase.of("photo.file.small", width, height));
    }
    ImageReadParam how = reader.getDefaultReadParam();
    if (width * height > WHOLE_PX) {
      int every = width * height > 4 * WHOLE_PX ? 3 : 2;
      how.setSourceSubsampling(every, every, 0, 0);
    }
    return reader.read(0, how);
  }

  /** How the camera was held, 1 to 8; upright where the photo does not say. */
  private static int turn(byte[] bytes) {
    try {
      Metadata metadata = ImageMetadataReader.readMetadata(new ByteArrayInputStream(bytes));
      ExifIFD0Directory head = metadata.getFirstDirectoryOfType(ExifIFD0Directory.class);
      if (head != null && head.containsTag(ExifIFD0Directory.TAG_ORIENTATION)) {
        int turn = head.getInt(ExifIFD0Directory.TAG_ORIENTATION);
        return turn >= 1 && turn <= 8 ? turn : 1;
      }
      return 1;
    } catch (ImageProcessingException | IOException | MetadataException e) {
      // What stands beside the picture is damaged; the picture need not be.
      return 1;
    }
  }

  /**
   * Gives a picture as JPEG, with nothing beside it: no place, no date, no camera.
   *
   * @throws IOException when it cannot be written
   */
  public static byte[] jpeg(BufferedImage image) throws IOException {
    ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (var to = ImageIO.createImageOutputStream(out)) {
      writer.setOutput(to);
      ImageWriteParam how = writer.getDefaultWriteParam();
      how.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
      how.setCompressionQuality(QUALITY);
      writer.write(null, new IIOImage(image, null, null), how);
    } finally {
      writer.dispose();
    }
    return out.toByteArray();
  }
}
