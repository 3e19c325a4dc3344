package humble.core.casing;

import humble.core.kit.Board;
import humble.core.kit.Enclosure;
import humble.core.kit.Enclosure.LayerKind;
import humble.core.kit.Kit;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import humble.core.units.Band;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What lies on what in a case, from the front to the back, in the middle of its tolerances.
 *
 * @param levels every layer
 */
public record Stack(List<Level> levels) {
  private static final double ALIKE_MM = 0.2;

  public Stack {
    levels = List.copyOf(levels);
  }

  /**
   * One layer.
   *
   * @param kind what it is; where the kit does not say, a board by its name, a post where a screw
   *     goes into it or a room is as high as it, else a plate
   * @param fromMm where it begins, from the front of the stack, in millimetres
   * @param toMm where it ends
   */
  public record Level(Enclosure.Layer layer, LayerKind kind, double fromMm, double toMm) {
    /** Gives its name. */
    public String id() {
      return layer.id();
    }
  }

  /**
   * What lies between two layers that parts cannot stand in.
   *
   * @param front the one nearer to the front
   * @param back the other one
   * @param keepers what keeps them apart; none where the kit does not say that anything does
   * @param apartMm how far apart that is, in millimetres
   */
  public record Gap(Level front, Level back, List<Level> keepers, Band apartMm) {
    public Gap {
      keepers = List.copyOf(keepers);
    }

    /** Tells whether the kit says what keeps them apart. */
    public boolean isSaid() {
      return !keepers.isEmpty();
    }
  }

  /** Gives the stack of a kit; without levels where it has no case. */
  public static Stack of(Kit kit) {
    List<Level> levels = new ArrayList<>();
    Enclosure casing = kit.casing().orElse(null);
    if (casing != null) {
      double at = 0;
      for (Enclosure.Layer layer : casing.layers()) {
        double thick = (layer.thicknessMm().low() + layer.thicknessMm().high()) / 2;
        LayerKind kind = layer.kind().orElseGet(() -> kind(kit, casing, layer));
        levels.add(new Level(layer, kind, at, at + thick));
        at += thick;
      }
    }
    return new Stack(levels);
  }

  private static LayerKind kind(Kit kit, Enclosure casing, Enclosure.Layer layer) {
    if (kit.board(layer.id()).isPresent()) {
      return LayerKind.BOARD;
    }
    boolean held =
        casing.screws().stream().anyMatch(screw -> screw.into().equals(layer.id()))
            || casing.rooms().stream()
                .anyMatch(room -> room.heightMm().equals(layer.thicknessMm()));
    return held ? LayerKind.POST : LayerKind.PLATE;
  }

  /** Gives every gap between neighbouring layers that fill their place, from the front. */
  public List<Gap> gaps() {
    List<Gap> gaps = new ArrayList<>();
    Level last = null;
    List<Level> keepers = new ArrayList<>();
    for (Level level : levels) {
      if (level.kind().isOpen()) {
        keepers.add(level);
        continue;
      }
      if (last != null) {
        double low = keepers.stream().mapToDouble(k -> k.layer().thicknessMm().low()).sum();
        double high = keepers.stream().mapToDouble(k -> k.layer().thicknessMm().high()).sum();
        gaps.add(new Gap(last, level, keepers, new Band(low, high)));
      }
      last = level;
      keepers.clear();
    }
    return gaps;
  }

  /** Gives the layer that a board is. */
  public Optional<Level> level(String id) {
    return levels.stream().filter(level -> level.id().equals(id)).findFirst();
  }

  /** Gives the side of a board that looks to the front; the top where the kit does not say. */
  public Side face(String board) {
    return level(board)
        .flatMap(level -> level.layer().lies())
        .map(Enclosure.Lies::face)
        .orElse(Side.TOP);
  }

  /** Gives how thick everything is together, in millimetres. */
  public double heightMm() {
    return levels.isEmpty() ? 0 : levels.getLast().toMm();
  }

  /**
   * Tells whether it is known how two boards lie over each other: the kit says it of both, or they
   * have one size.
   */
  boolean isAligned(Board one, Board other) {
    boolean said = lies(one).isPresent() && lies(other).isPresent();
    return said
        || Math.abs(one.widthMm() - other.widthMm()) < ALIKE_MM
            && Math.abs(one.heightMm() - other.heightMm()) < ALIKE_MM;
  }

  private Optional<Enclosure.Lies> lies(Board board) {
    return level(board.id()).flatMap(level -> level.layer().lies());
  }

  /** Gives where a point of a board, from its top, is in the stack as looked at from the front. */
  public PointMm inStack(Board board, PointMm at) {
    PointMm origin = lies(board).map(Enclosure.Lies::at).orElse(new PointMm(0, 0));
    double x = face(board.id()) == Side.TOP ? at.xMm() : board.widthMm() - at.xMm();
    return origin.plus(new PointMm(x, at.yMm()));
  }
}
