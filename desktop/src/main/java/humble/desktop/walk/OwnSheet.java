package humble.desktop.walk;

import humble.core.kit.PointMm;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** A sheet of sixty places that is pasted, and where their holes are on the board of the walk. */
final class OwnSheet {
  /** The sheet, as somebody copies it from paper. */
  static final String TEXT =
      """
      Harbour sign
      8 x 330 ohm resistor R1-R8
      8 x 10k resistor R9-R16
      4 x 1k resistor R17-R20
      8 x 100n ceramic capacitor C1-C8
      3 x 47u 25V electrolytic C9-C11
      10 x red LED 5 mm LED1-LED10
      4 x diode D1-D4
      4 x NPN transistor Q1-Q4
      1 x 28 pin controller U1
      1 x 28 pin socket for U1
      1 x 14 pin chip U3
      1 x 14 pin socket for U3
      1 x 5V regulator U2
      1 x 8 MHz crystal Y1
      2 x button S1 S2
      1 x slide switch S3
      1 x barrel jack J1
      1 x 6 pin header J2
      1 x 10k trimmer RV1
      1 x buzzer BZ1
      """;

  private static final Map<String, List<PointMm>> HOLES = holes();

  private OwnSheet() {}

  /** Gives the holes of a part that are clicked. */
  static List<PointMm> holes(String ref) {
    return HOLES.getOrDefault(ref, List.of());
  }

  private static Map<String, List<PointMm>> holes() {
    Map<String, List<PointMm>> all = new LinkedHashMap<>();
    for (int i = 0; i < 20; i++) {
      run(all, "R" + (i + 1), 8 + 15.24 * (i % 5), 80 - 5.08 * (i / 5), 10.16, 0);
    }
    for (int i = 0; i < 8; i++) {
      run(all, "C" + (i + 1), 8 + 7.62 * i, 55, 5.08, 0);
    }
    for (int i = 0; i < 3; i++) {
      run(all, "C" + (i + 9), 75 + 12.7 * i, 55, 2.5, 0);
    }
    for (int i = 0; i < 10; i++) {
      run(all, "LED" + (i + 1), 8 + 10.16 * i, 46, 2.54, 0);
    }
    for (int i = 0; i < 4; i++) {
      run(all, "D" + (i + 1), 8 + 12.7 * i, 38, 7.62, 0);
      run(all, "Q" + (i + 1), 62 + 10.16 * i, 38, 5.08, 0);
    }
    run(all, "XU1", 40, 18, 33.02, 7.62);
    run(all, "XU3", 85, 18, 15.24, 7.62);
    run(all, "U2", 8, 28, 5.08, 0);
    run(all, "Y1", 20, 28, 4.9, 0);
    run(all, "S1", 108, 28, 6.5, 4.5);
    run(all, "S2", 120, 28, 6.5, 4.5);
    run(all, "S3", 20, 8, 5.08, 0);
    run(all, "J1", 8, 20, 0, -6);
    run(all, "J2", 60, 8, 12.7, 0);
    run(all, "RV1", 108, 15, 5.08, 0);
    run(all, "BZ1", 115, 75, 7.6, 0);
    return all;
  }

  private static void run(
      Map<String, List<PointMm>> all, String ref, double x, double y, double dx, double dy) {
    List<PointMm> holes = new ArrayList<>();
    holes.add(new PointMm(x, y));
    holes.add(new PointMm(x + dx, y + dy));
    all.put(ref, List.copyOf(holes));
  }
}
