package humble.photo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.zip.CRC32;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PhotoFileTest {
  @TempDir Path folder;

  /** Red at the upper left, green at the upper right, blue at the lower left, white opposite. */
  private static BufferedImage fourQuarters() {
    BufferedImage image = new BufferedImage(160, 120, BufferedImage.TYPE_INT_RGB);
    for (int y = 0; y < 120; y++) {
      for (int x = 0; x < 160; x++) {
        boolean left = x < 80;
        boolean upper = y < 60;
        image.setRGB(x, y, upper ? left ? 0xff0000 : 0x00ff00 : left ? 0x0000ff : 0xffffff);
      }
    }
    return image;
  }

  /** A JPEG with the one tag that says how the camera was held, and a place beside it. */
  private static byte[] heldAs(int turn) throws IOException {
    byte[] plain = PhotoFile.jpeg(fourQuarters());
    ByteBuffer exif = ByteBuffer.allocate(2 + 2 + 6 + 8 + 2 + 12 + 4);
    exif.putShort((short) 0xffe1).putShort((short) (exif.capacity() - 2));
    exif.put("Exif\0\0".getBytes(StandardCharsets.US_ASCII));
    exif.put("MM".getBytes(StandardCharsets.US_ASCII)).putShort((short) 42).putInt(8);
    exif.putShort((short) 1).putShort((short) 0x0112).putShort((short) 3).putInt(1);
    exif.putShort((short) turn).putShort((short) 0).putInt(0);
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    out.write(plain, 0, 2);
    out.write(exif.array());
    out.write(plain, 2, plain.length - 2);
    return out.toByteArray();
  }

  private static char colour(Photo photo, double x, double y) {
    int rgb =
        photo.rgb()[(int) (y * photo.heightPx()) * photo.widthPx() + (int) (x * photo.widthPx())];
    boolean red = (rgb >> 16 & 255) > 128;
    boolean green = (rgb >> 8 & 255) > 128;
    return red && green ? 'w' : red ? 'r' : green ? 'g' : 'b';
  }

  @ParameterizedTest
  @CsvSource({"1,rgbw", "2,grwb", "3,wbgr", "4,bwrg", "5,rbgw", "6,brwg", "7,wgbr", "8,gwrb"})
  void aPhotoIsTurnedAsTheCameraWasHeld(int turn, String seen) throws Exception {
    Photo photo = PhotoFile.read(heldAs(turn));
    assertThat(photo.widthPx()).isEqualTo(turn < 5 ? 160 : 120);
    assertThat(photo.heightPx()).isEqualTo(turn < 5 ? 120 : 160);
    String corners =
        ""
            + colour(photo, 0.2, 0.2)
            + colour(photo, 0.8, 0.2)
            + colour(photo, 0.2, 0.8)
            + colour(photo, 0.8, 0.8);
    assertThat(corners).isEqualTo(seen);
  }

  @Test
  void aTurnThatDoesNotExistIsNoTurn() throws Exception {
    assertThat(PhotoFile.read(heldAs(77)).widthPx()).isEqualTo(160);
  }

  @Test
  void whatIsWrittenHoldsNothingButThePicture() throws Exception {
    byte[] written = PhotoFile.jpeg(PhotoFile.read(heldAs(6)).image());
    assertThat(new String(written, StandardCharsets.ISO_8859_1)).doesNotContain("Exif");
    assertThat(ImageIO.read(new java.io.ByteArrayInputStream(written)).getWidth()).isEqualTo(120);
  }

  private String refusal(byte[] bytes) {
    try {
      PhotoFile.read(bytes);
      return "";
    } catch (PhotoRefused e) {
      return e.phrase().key();
    }
  }

  @Test
  void whatIsNoPhotoIsRefusedInOneSentence() throws Exception {
    assertThat(refusal("twelve resistors".getBytes(StandardCharsets.UTF_8)))
        .isEqualTo("photo.file.strange");
    byte[] jpeg = PhotoFile.jpeg(fourQuarters());
    assertThat(refusal(Arrays.copyOf(jpeg, 40))).isEqualTo("photo.file.damaged");
    assertThat(refusal(new byte[0])).isEqualTo("photo.file.strange");
    ByteArrayOutputStream gif = new ByteArrayOutputStream();
    ImageIO.write(fourQuarters(), "gif", gif);
    assertThat(refusal(gif.toByteArray())).isEqualTo("photo.file.strange");
    Path none = folder.resolve("none.jpg");
    assertThatThrownBy(() -> PhotoFile.read(none)).isInstanceOf(PhotoRefused.class);
    assertThatThrownBy(() -> PhotoFile.read(folder)).isInstanceOf(PhotoRefused.class);
    Path file = Files.write(folder.resolve("a.jpg"), jpeg);
    assertThat(PhotoFile.read(file).heightPx()).isEqualTo(120);
  }

  /** A head that promises 200 megapixels, and next to nothing behind it. */
  @Test
  void twoHundredMegapixelsAreRefusedByTheHeadAlone() {
    ByteBuffer png = ByteBuffer.allocate(8 + 25 + 12);
    png.put(new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10});
    chunk(
        png,
        "IHDR",
        ByteBuffer.allocate(13)
            .putInt(20_000)
            .putInt(10_000)
            .put(new byte[] {8, 2, 0, 0, 0})
            .array());
    chunk(png, "IEND", new byte[0]);
    assertThat(refusal(png.array())).isEqualTo("photo.file.pixels");
  }

  private static void chunk(ByteBuffer to, String type, byte[] data) {
    CRC32 crc = new CRC32();
    crc.update(type.getBytes(StandardCharsets.US_ASCII));
    crc.update(data);
    to.putInt(data.length).put(type.getBytes(StandardCharsets.US_ASCII)).put(data);
    to.putInt((int) crc.getValue());
  }
}
