package humble.core.kit;

import humble.core.units.Band;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The case and what holds it together; all lengths in millimetres.
 *
 * @param title what it is
 * @param layers what lies on what
 * @param screws screws
 * @param rooms free height over sides of boards
 * @param cutouts holes that parts meet
 */
public record Enclosure(
    String title, List<Layer> layers, List<Screw> screws, List<Room> rooms, List<Cutout> cutouts) {
  public Enclosure {
    layers = List.copyOf(layers);
    screws = List.copyOf(screws);
    rooms = List.copyOf(rooms);
    cutouts = List.copyOf(cutouts);
  }

  /** A plate, post or washer and how thick it is. */
  public record Layer(String id, String title, Band thicknessMm) {}

  /**
   * A kind of screw.
   *
   * @param through layers it passes
   * @param into what its thread holds in
   * @param engageMm thread it needs
   * @param depthMm depth of the thread, null when it cannot bottom
   * @param lengthsMm lengths to choose from
   */
  public record Screw(
      String id,
      int count,
      String thread,
      List<String> through,
      String into,
      double engageMm,
      @Nullable Double depthMm,
      List<Double> lengthsMm) {
    public Screw {
      through = List.copyOf(through);
      lengthsMm = List.copyOf(lengthsMm);
    }
  }

  /** Free height over one side of a board; refs in {@code but} stand outside. */
  public record Room(String board, Side side, Band heightMm, String under, List<String> but) {
    public Room {
      but = List.copyOf(but);
    }
  }

  /** A hole for a part, centred at {@code at}; the part's top must come into {@code topMm}. */
  public record Cutout(
      String id,
      String in,
      String ref,
      PointMm at,
      double widthMm,
      double heightMm,
      @Nullable Band topMm) {}
}
