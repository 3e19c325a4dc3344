package humble.core.kit;

import humble.core.units.Band;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * The case and what holds it together; all lengths in millimetres.
 *
 * @param title what it is
 * @param layers what lies on what
 * @param screws screws
 * @param rooms free height over sides of boards
 * @param cutouts holes that parts meet
 * @param legends what is printed on the front
 */
public record Enclosure(
    String title,
    List<Layer> layers,
    List<Screw> screws,
    List<Room> rooms,
    List<Cutout> cutouts,
    List<Legend> legends) {
  /** Makes a case with nothing printed on it. */
  public Enclosure(
      String title,
      List<Layer> layers,
      List<Screw> screws,
      List<Room> rooms,
      List<Cutout> cutouts) {
    this(title, layers, screws, rooms, cutouts, List.of());
  }

  public Enclosure {
    legends = List.copyOf(legends);
    layers = List.copyOf(layers);
    screws = List.copyOf(screws);
    rooms = List.copyOf(rooms);
    cutouts = List.copyOf(cutouts);
  }

  /**
   * A plate, board, post or washer and how thick it is. Layers are listed from the front to the
   * back.
   *
   * @param kind what it is; empty where the kit does not say
   * @param material what it is made of, as the kit says it; may be empty
   * @param lies how a board lies in the stack; empty where the kit does not say
   */
  public record Layer(
      String id,
      String title,
      Band thicknessMm,
      Optional<LayerKind> kind,
      String material,
      Optional<Lies> lies) {
    /** Makes a layer of which the kit says only how thick it is. */
    public Layer(String id, String title, Band thicknessMm) {
      this(id, title, thicknessMm, Optional.empty(), "", Optional.empty());
    }
  }

  /** What a layer is. */
  public enum LayerKind {
    PLATE(false),
    BOARD(false),
    CELL(false),
    FILM(false),
    POST(true),
    SPACER(true),
    WASHER(true),
    NUT(true);

    private final boolean open;

    LayerKind(boolean open) {
      this.open = open;
    }

    /** Tells whether parts may stand beside it: it keeps others apart, and fills nothing. */
    public boolean isOpen() {
      return open;
    }

    /** Gives the kind of that name in a kit file. */
    public static Optional<LayerKind> named(String name) {
      return Arrays.stream(values()).filter(kind -> kind.text().equals(name)).findFirst();
    }

    /** Gives the name used in kit files. */
    public String text() {
      return name().toLowerCase(Locale.ROOT);
    }
  }

  /**
   * How a board lies in the stack, as the stack is looked at from the front.
   *
   * @param at where the lower left of what is seen of it lies, in millimetres
   * @param face the side that looks to the front
   */
  public record Lies(PointMm at, Side face) {}

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

  /** What is printed below the opening of a part: {@code RUN}. */
  public record Legend(String ref, String text) {}

  /** Free height over one side of a board; refs in {@code but} stand outside. */
  public record Room(String board, Side side, Band heightMm, String under, List<String> but) {
    public Room {
      but = List.copyOf(but);
    }
  }

  /**
   * A hole for a part, centred at {@code at}; the part's top must come into {@code topMm}.
   *
   * @param partWidthMm width of what has to come through, where the hole is wider than that; null
   *     where the middles of both have to meet
   * @param partHeightMm the same of its height
   */
  public record Cutout(
      String id,
      String in,
      String ref,
      PointMm at,
      double widthMm,
      double heightMm,
      @Nullable Band topMm,
      @Nullable Double partWidthMm,
      @Nullable Double partHeightMm) {
    /** Makes a hole whose middle has to meet that of its part. */
    public Cutout(
        String id,
        String in,
        String ref,
        PointMm at,
        double widthMm,
        double heightMm,
        @Nullable Band topMm) {
      this(id, in, ref, at, widthMm, heightMm, topMm, null, null);
    }

    /** Gives how far its part may stand to either side of its middle without being hidden. */
    public double playXMm() {
      return partWidthMm == null ? 0 : Math.max(0, (widthMm - partWidthMm) / 2);
    }

    /** Gives how far its part may stand above or below its middle without being hidden. */
    public double playYMm() {
      return partHeightMm == null ? 0 : Math.max(0, (heightMm - partHeightMm) / 2);
    }

    /**
     * Gives this hole made larger by so much that a part so far beside its middle comes through.
     */
    public Cutout enlarged(double dxMm, double dyMm) {
      return new Cutout(
          id,
          in,
          ref,
          new PointMm(at.xMm() + dxMm / 2, at.yMm() + dyMm / 2),
          widthMm + Math.abs(dxMm),
          heightMm + Math.abs(dyMm),
          topMm,
          partWidthMm == null ? (Double) widthMm : partWidthMm,
          partHeightMm == null ? (Double) heightMm : partHeightMm);
    }
  }

  /** Gives this case with a hole, in the place of the one of its name where it has one. */
  public Enclosure with(Cutout other) {
    List<Cutout> all = new ArrayList<>(cutouts);
    all.removeIf(each -> each.id().equals(other.id()));
    all.add(other);
    return new Enclosure(title, layers, screws, rooms, all, legends);
  }

  /** Gives this case with a layer of another thickness; a room that was as high goes with it. */
  public Enclosure with(String layer, Band thicknessMm) {
    Optional<Band> before =
        layers.stream().filter(l -> l.id().equals(layer)).map(Layer::thicknessMm).findFirst();
    return new Enclosure(
        title,
        layers.stream()
            .map(l ->
                l.id().equals(layer)
                    ? new Layer(l.id(), l.title(), thicknessMm, l.kind(), l.material(), l.lies())
                    : l)
            .toList(),
        screws,
        rooms.stream()
            .map(room ->
                before.filter(room.heightMm()::equals).isPresent()
                    ? new Room(room.board(), room.side(), thicknessMm, room.under(), room.but())
                    : room)
            .toList(),
        cutouts,
        legends);
  }
}
