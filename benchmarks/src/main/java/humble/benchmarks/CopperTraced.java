package humble.benchmarks;

import humble.core.budget.Budget;
import humble.formats.board.BoardNets;
import humble.formats.board.LengthUnit;
import java.io.PrintStream;
import java.lang.management.ManagementFactory;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.operation.union.UnaryUnionOp;

/**
 * The nets of a board of four layers and 5,000 pads, files and all, beside one union of the copper
 * of each layer.
 *
 * <p>Cells of 2.54 mm: half hold a through hole, half a pad on one side and a via. Rows are joined
 * on the top, every fourth hole by thermal spokes to one plane, every fourth to the other.
 */
final class CopperTraced {
  private static final int SIDE = 71;
  private static final double PITCH_MM = 2.54;
  private static final int WARM = 4;
  private static final int RUNS = 9;

  private final StringBuilder top = layer("Copper,L1,Top");
  private final StringBuilder[] planes = {layer("Copper,L2,Inr"), layer("Copper,L3,Inr")};
  private final StringBuilder bottom = layer("Copper,L4,Bot");
  private final StringBuilder drill =
      new StringBuilder("M48\nMETRIC,TZ,000.000\nT1C0.800\nT2C0.300\n%\n");
  private final List<Geometry> unionOfTop = new ArrayList<>();
  private int pads;
  private int nets = 2;

  private CopperTraced() {}

  private static StringBuilder layer(String function) {
    return new StringBuilder("%TF.FileFunction," + function + "*%\n%FSLAX46Y46*%\n%MOMM*%\n")
        .append("%ADD10C,1.500*%\n%ADD11C,0.600*%\n%ADD12R,1.000X0.800*%\n%ADD13C,0.250*%\n")
        .append("%ADD14C,1.900*%\n%ADD15C,0.300*%\n%ADD16C,1.000*%\n");
  }

  private static String at(double x, double y, int operation) {
    return String.format(
        Locale.ROOT, "X%dY%dD0%d*\n", Math.round(x * 1e6), Math.round(y * 1e6), operation);
  }

  private static String flash(int aperture, double x, double y) {
    return "D" + aperture + "*\n" + at(x, y, 3);
  }

  private static String line(int aperture, double x1, double y1, double x2, double y2) {
    return "D" + aperture + "*\n" + at(x1, y1, 2) + at(x2, y2, 1);
  }

  private Map<String, String> files() {
    double edge = SIDE * PITCH_MM;
    for (StringBuilder plane : planes) {
      plane.append("G36*\n").append(at(-1, -1, 2)).append(at(edge, -1, 1));
      plane.append(at(edge, edge, 1)).append(at(-1, edge, 1)).append(at(-1, -1, 1));
      plane.append("G37*\n");
    }
    StringBuilder[] clear = {new StringBuilder(), new StringBuilder()};
    StringBuilder[] spokes = {new StringBuilder(), new StringBuilder()};
    for (int row = 0; row < SIDE && pads < 5000; row++) {
      boolean through = row % 2 == 0;
      double y = row * PITCH_MM;
      int inRow = 0;
      for (int column = 0; column < SIDE && pads < 5000; column++) {
        double x = column * PITCH_MM;
        pads++;
        int plane = through ? column % 4 : -1;
        if (through) {
          top.append(flash(10, x, y));
          bottom.append(flash(10, x, y));
          drill.append("T1\n").append(hole(x, y));
          for (int p = 0; p < 2; p++) {
            clear[p].append(flash(14, x, y));
            if (plane == p) {
              spokes[p].append(line(15, x - 1, y, x + 1, y)).append(line(15, x, y - 1, x, y + 1));
              spokes[p].append(flash(16, x, y));
            }
          }
        } else {
          top.append(flash(12, x, y));
          top.append(line(13, x, y, x + 0.9, y + 0.9)).append(flash(11, x + 0.9, y + 0.9));
          bottom.append(flash(11, x + 0.9, y + 0.9));
          drill.append("T2\n").append(hole(x + 0.9, y + 0.9));
          clear[0].append(flash(16, x + 0.9, y + 0.9));
          clear[1].append(flash(16, x + 0.9, y + 0.9));
        }
        // Rows of holes are joined below their pads where both are on no plane.
        if (!through && column > 0) {
          double before = x - PITCH_MM;
          bottom.append(line(13, before + 0.9, y + 0.9, x + 0.9, y + 0.9));
        }
        if (through && plane > 1) {
          inRow++;
        }
        disc(x, y, through ? 0.75 : 0.5);
      }
      nets += through ? inRow : 1;
    }
    for (int p = 0; p < 2; p++) {
      planes[p].append("%LPC*%\n").append(clear[p]).append("%LPD*%\n").append(spokes[p]);
    }
    Map<String, String> files = new LinkedHashMap<>();
    files.put("copper_top", top + "M02*\n");
    files.put("copper_2", planes[0] + "M02*\n");
    files.put("copper_3", planes[1] + "M02*\n");
    files.put("copper_bottom", bottom + "M02*\n");
    files.put("drill", drill + "M30\n");
    return files;
  }

  private void disc(double x, double y, double radius) {
    GeometryFactory plane = new GeometryFactory();
    unionOfTop.add(plane.createPoint(new Coordinate(x, y)).buffer(radius, 16));
    unionOfTop.add(plane.createPoint(new Coordinate(x + 0.9, y + 0.9)).buffer(0.3, 16));
    unionOfTop.add(
        plane
            .createLineString(
                new Coordinate[] {new Coordinate(x, y), new Coordinate(x + 0.9, y + 0.9)})
            .buffer(0.125, 16));
  }

  private static String hole(double x, double y) {
    return String.format(Locale.ROOT, "X%dY%d\n", Math.round(x * 1e3), Math.round(y * 1e3));
  }

  static void measure(PrintStream out) {
    CopperTraced board = new CopperTraced();
    Map<String, String> files = board.files();
    Map<String, byte[]> bytes = new LinkedHashMap<>();
    files.forEach((role, text) -> bytes.put(role, text.getBytes(StandardCharsets.ISO_8859_1)));
    Map<String, String> names = new LinkedHashMap<>();
    bytes.keySet().forEach(role -> names.put(role, role));
    List<Double> seconds = new ArrayList<>();
    List<Double> theirs = new ArrayList<>();
    var threads = ManagementFactory.getThreadMXBean();
    for (int run = 0; run < WARM + RUNS; run++) {
      long begin = threads.getCurrentThreadCpuTime();
      BoardNets nets =
          BoardNets.of(
              names,
              role -> bytes.getOrDefault(role, new byte[0]),
              BoardNets.Source.COPPER,
              List.of(),
              LengthUnit.UNSAID,
              Budget.unlimited());
      double took = (threads.getCurrentThreadCpuTime() - begin) / 1e9;
      long joined = nets.nets().stream().filter(net -> net.pads().size() > 1).count();
      int rows = (SIDE - 1) / 2;
      if (joined != rows + 2) {
        throw new IllegalStateException("traced wrongly: " + joined + " nets");
      }
      begin = threads.getCurrentThreadCpuTime();
      double area = UnaryUnionOp.union(board.unionOfTop).getArea();
      double union = (threads.getCurrentThreadCpuTime() - begin) / 1e9;
      if (run >= WARM && area > 0) {
        seconds.add(took);
        theirs.add(union);
      }
    }
    out.println(
        Median.row(
            "copper: nets of four layers, "
                + board.pads
                + " pads, two planes, from the files, processor time",
            Median.spread(seconds, "s"),
            "one union of the outer layer's copper alone: " + Median.spread(theirs, "s"),
            Median.of(seconds) / Median.of(theirs)));
  }
}
