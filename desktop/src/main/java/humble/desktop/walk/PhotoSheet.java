package humble.desktop.walk;

import humble.bench.camera.BareBoard;
import humble.bench.camera.BareBoard.Drilled;
import humble.bench.camera.BareBoard.Printed;
import humble.bench.camera.BareBoard.Track;
import humble.bench.camera.BenchCamera;
import humble.bench.camera.Pose;
import humble.core.kit.PointMm;
import humble.photo.PhotoFile;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A small board that is told from a pasted sheet and two photos: the sheet, where the holes are,
 * and the simulated photos. Run with a folder it writes sheet and photos there.
 */
final class PhotoSheet {
  static final double WIDTH_MM = 74;
  static final double HEIGHT_MM = 52;

  /** The sheet, as somebody copies it from paper. */
  static final String TEXT =
      """
      Sandglass
      6 x 470 ohm resistor R1-R6
      2 x 10k resistor R7 R8
      1 x 100n ceramic capacitor C1
      1 x 47u 16V electrolytic C2
      6 x yellow LED 5 mm LED1-LED6
      1 x 14 pin controller U1
      1 x 14 pin socket for U1
      1 x 5V regulator U2
      1 x NPN transistor Q1
      1 x button S1
      1 x slide switch S2
      1 x barrel jack J1
      1 x buzzer BZ1
      """;

  private static final double PITCH_MM = 2.54;
  private static final double IN_MM = 3.5;
  private static final PhotoSheet SHEET = new PhotoSheet();

  private final Map<String, List<PointMm>> clicks = new LinkedHashMap<>();
  private final List<Drilled> holes = new ArrayList<>();
  private final List<Printed> texts = new ArrayList<>();

  private PhotoSheet() {
    for (int i = 0; i < 6; i++) {
      pair("R" + (i + 1), 8 + 14 * (i % 3), 46 - 5 * (i / 3), 10.16, 0.8);
      pair("LED" + (i + 1), 6 + 9 * i, 29, PITCH_MM, 0.9);
    }
    pair("R7", 8, 36, 10.16, 0.8);
    pair("R8", 22, 36, 10.16, 0.8);
    pair("C1", 50, 46, 5.08, 0.8);
    pair("C2", 60, 46, 2.0, 0.8);
    pair("BZ1", 60, 35, 7.6, 0.9);
    row("Q1", 46, 36, 3, 0.8);
    row("U2", 6, 22, 3, 1.0);
    row("S2", 50, 23, 3, 0.9);
    dual();
    for (int i = 0; i < 2; i++) {
      hole(50 + 6.5 * i, 12, 1.0, false);
      hole(50 + 6.5 * i, 7.5, 1.0, false);
    }
    clicks.put("S1", List.of(new PointMm(50, 12), new PointMm(56.5, 7.5)));
    text("S1", 52, 13.4);
    hole(8, 12, 1.3, false);
    hole(8, 6, 1.3, false);
    clicks.put("J1", List.of(new PointMm(8, 12), new PointMm(8, 6)));
    text("J1", 10, 8);
    // No fourth one: the board looks another way over head.
    holes.add(new Drilled(new PointMm(IN_MM, IN_MM - 0.5), 3.0, 0, false));
    holes.add(new Drilled(new PointMm(WIDTH_MM - IN_MM, IN_MM), 3.0, 0, false));
    holes.add(new Drilled(new PointMm(WIDTH_MM - IN_MM, HEIGHT_MM - IN_MM), 3.0, 0, false));
  }

  /** Gives the holes of a part that are clicked. */
  static List<PointMm> holes(String ref) {
    return SHEET.clicks.getOrDefault(ref, List.of());
  }

  private void hole(double x, double y, double diameter, boolean square) {
    holes.add(new Drilled(new PointMm(x, y), diameter, diameter + 0.8, square));
  }

  private void text(String text, double x, double y) {
    texts.add(new Printed(text, new PointMm(x, y), 1.3));
  }

  private void pair(String ref, double x, double y, double span, double diameter) {
    hole(x, y, diameter, ref.startsWith("LED") || ref.equals("C2") || ref.equals("BZ1"));
    hole(x + span, y, diameter, false);
    clicks.put(ref, List.of(new PointMm(x, y), new PointMm(x + span, y)));
    text(ref, x + span / 2 - 1.5, y + 1.4);
  }

  private void row(String ref, double x, double y, int count, double diameter) {
    for (int i = 0; i < count; i++) {
      hole(x + i * PITCH_MM, y, diameter, i == 0);
    }
    clicks.put(ref, List.of(new PointMm(x, y), new PointMm(x + (count - 1) * PITCH_MM, y)));
    text(ref, x, y + 1.5);
  }

  private void dual() {
    for (int i = 0; i < 7; i++) {
      hole(22 + i * PITCH_MM, 8, 0.8, i == 0);
      hole(22 + i * PITCH_MM, 15.62, 0.8, false);
    }
    clicks.put("XU1", List.of(new PointMm(22, 8), new PointMm(37.24, 15.62)));
    text("U1", 28, 11);
  }

  private BareBoard board() {
    return new BareBoard(WIDTH_MM, HEIGHT_MM, holes, tracks(holes, 3), texts, List.of());
  }

  /** The same holes as they are seen from below, other copper, nothing printed. */
  private BareBoard solderSide() {
    List<Drilled> mirrored =
        holes.stream()
            .map(hole ->
                new Drilled(
                    new PointMm(WIDTH_MM - hole.at().xMm(), hole.at().yMm()),
                    hole.diameterMm(),
                    hole.padMm(),
                    hole.square()))
            .toList();
    return new BareBoard(WIDTH_MM, HEIGHT_MM, mirrored, tracks(mirrored, 5), List.of(), List.of());
  }

  /** Copper from hole to hole; it joins nothing that the kit says, and is for the eye. */
  private static List<Track> tracks(List<Drilled> holes, int step) {
    List<Track> tracks = new ArrayList<>();
    for (int i = 0; i + step < holes.size(); i += 2) {
      PointMm from = holes.get(i).at();
      PointMm to = holes.get(i + step).at();
      PointMm knee = new PointMm(to.xMm(), from.yMm());
      tracks.add(new Track(from, knee, 0.5));
      tracks.add(new Track(knee, to, 0.5));
    }
    return tracks;
  }

  /** Writes sheet and photos. */
  public static void main(String[] arguments) throws IOException {
    Path folder = Files.createDirectories(Path.of(arguments[0]));
    Files.writeString(folder.resolve("sheet.txt"), TEXT);
    Pose top = new Pose(1720, 1300, 13, -9, 5, 17, 1900, 0.012, WIDTH_MM / 2, HEIGHT_MM / 2);
    Pose below = new Pose(1720, 1300, -8, 14, -7, 17, 1900, 0.012, WIDTH_MM / 2, HEIGHT_MM / 2);
    Files.write(
        folder.resolve("top.jpg"),
        PhotoFile.jpeg(
            BenchCamera.photo(SHEET.board(), new BenchCamera.Shot(top, 77, 0.012, 0.3, 9))));
    Files.write(
        folder.resolve("solder-side.jpg"),
        PhotoFile.jpeg(
            BenchCamera.photo(
                SHEET.solderSide(), new BenchCamera.Shot(below, 77, 0.012, 0.25, 7))));
  }
}
