package humble.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

class PhotoCommandsTest {
  private static final String SOURCE =
      Path.of(System.getProperty("humble.root", "..")).resolve("kits/sandglass/source").toString();

  @TempDir Path folder;

  private static Ran straighten(String photo, String... more) {
    String[] all = new String[7 + more.length];
    String[] first = {
      "board", "straighten", SOURCE + "/" + photo, "--width", "74", "--height", "52"
    };
    System.arraycopy(first, 0, all, 0, 7);
    System.arraycopy(more, 0, all, 7, more.length);
    return Ran.runJson(all);
  }

  @Test
  void bothSidesAreStraightenedAndLaidToEachOther() throws Exception {
    Path png = folder.resolve("flat.png");
    Ran top = straighten("top.jpg", "-o", png.toString());
    Ran solder = straighten("solder-side.jpg");
    assertThat(top.status()).isZero();
    assertThat(top.json().path("corners").size()).isEqualTo(4);
    assertThat(top.json().path("fit_mm").asDouble()).isBetween(0.0, 0.1);
    assertThat(top.json().path("holes").size()).isBetween(65, 69);
    assertThat(ImageIO.read(png.toFile()).getWidth()).isGreaterThan(74 * 10);
    JsonNode hole = top.json().path("holes").get(0);
    assertThat(hole.path("x_mm").isNumber() && hole.path("y_mm").isNumber()).isTrue();
    assertThat(hole.path("diameter_mm").asDouble()).isBetween(0.5, 3.5);
    Files.writeString(folder.resolve("top.json"), top.json().toString());
    Files.writeString(folder.resolve("solder.json"), solder.json().toString());
    Ran aligned =
        Ran.runJson(
            "board",
            "align",
            folder.resolve("top.json").toString(),
            folder.resolve("solder.json").toString());
    assertThat(aligned.status()).isZero();
    assertThat(aligned.json().path("fit_mm").asDouble()).isLessThan(0.1);
    assertThat(aligned.json().path("pairs").size()).isGreaterThan(62);
    for (JsonNode pair : aligned.json().path("pairs")) {
      assertThat(pair.path("top").get(0).asDouble() + pair.path("bottom").get(0).asDouble())
          .isBetween(73.6, 74.4);
    }
  }

  @Test
  void cornersGivenAreTaken() {
    JsonNode found = straighten("top.jpg").json().path("corners");
    StringBuilder corners = new StringBuilder();
    for (JsonNode corner : found) {
      corners
          .append(corners.isEmpty() ? "" : ",")
          .append(corner.get(0).asDouble() + 3)
          .append(',')
          .append(corner.get(1).asDouble() - 2);
    }
    Ran by = straighten("top.jpg", "--corners", corners.toString());
    assertThat(by.status()).isZero();
    for (int i = 0; i < 4; i++) {
      assertThat(by.json().path("corners").get(i).get(0).asDouble())
          .isBetween(found.get(i).get(0).asDouble() - 2, found.get(i).get(0).asDouble() + 2);
    }
  }

  @Test
  void badInputIsSaidAtOnceAndEndsWithTwo() throws Exception {
    Ran ran =
        Ran.run(
            "board",
            "straighten",
            SOURCE + "/sheet.txt",
            "--width",
            "0",
            "--height",
            "52",
            "--corners",
            "1,2,3");
    assertThat(ran.status()).isEqualTo(2);
    assertThat(ran.err()).contains("--width").contains("--corners").contains("this is no photo");
    Path none = Files.writeString(folder.resolve("a.json"), "{\"holes\": [{\"x_mm\": 1}]}");
    Ran align = Ran.run("board", "align", none.toString(), folder.resolve("b.json").toString());
    assertThat(align.status()).isEqualTo(2);
    assertThat(align.err()).contains("a.json#/holes/0").contains("b.json");
  }

  @Test
  void sidesOfTwoBoardsEndWithOne() throws Exception {
    StringBuilder one = new StringBuilder();
    StringBuilder other = new StringBuilder();
    for (int i = 0; i < 20; i++) {
      one.append(i > 0 ? "," : "")
          .append("{\"x_mm\":" + i * i * 0.37 % 60 + ",\"y_mm\":" + i * 7.3 % 41 + "}");
      other
          .append(i > 0 ? "," : "")
          .append("{\"x_mm\":" + i * 11.9 % 60 + ",\"y_mm\":" + i * i * 0.61 % 41 + "}");
    }
    Path a = Files.writeString(folder.resolve("a.json"), "{\"holes\":[" + one + "]}");
    Path b = Files.writeString(folder.resolve("b.json"), "{\"holes\":[" + other + "]}");
    Ran ran = Ran.runJson("board", "align", a.toString(), b.toString());
    assertThat(ran.status()).isEqualTo(1);
    assertThat(ran.json().path("fit_mm").isNull()).isTrue();
  }
}
