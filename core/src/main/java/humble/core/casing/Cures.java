package humble.core.casing;

import humble.core.kit.Enclosure;
import humble.core.kit.Mount;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.units.Band;
import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Ways to make fit what does not, each of them reckoned. */
final class Cures {
  private static final double ROUNDING_MM = 1e-9;

  /** What a hole is wider than what goes through it, on each side. */
  private static final double PLAY_MM = 0.3;

  private final Parts parts;
  private final Rooms rooms;

  Cures(Parts parts, Rooms rooms) {
    this.parts = parts;
    this.rooms = rooms;
  }

  /** Gives what would let a part stand lower by so much. */
  List<Misfit.Cure> lower(String ref, double missingMm) {
    List<Misfit.Cure> cures = new ArrayList<>();
    Part part = parts.get(ref);
    Place place = part.place();
    if (place == null) {
      return cures;
    }
    double needs = parts.fittedHeightMm(ref);
    if (place.standoffMm() >= missingMm - ROUNDING_MM) {
      double off = Math.max(0, place.standoffMm() - missingMm);
      Mount how = off == 0 && place.mount() == Mount.RAISED ? Mount.FLUSH : place.mount();
      cures.add(
          Misfit.Cure.of("lower", ref, off).by(new Misfit.Change.Sits(place.sitting(how, off))));
    }
    double lying = parts.lyingHeightMm(ref) + place.standoffMm();
    boolean stands =
        place.mount() == Mount.FLUSH
            || place.mount() == Mount.RAISED
            || place.mount() == Mount.UPRIGHT;
    if (stands && lying <= needs - missingMm + ROUNDING_MM) {
      Place lies = place.sitting(Mount.LYING, place.standoffMm());
      cures.add(Misfit.Cure.of("lay", ref, lying).by(new Misfit.Change.Sits(lies)));
    }
    parts
        .socketOf(ref)
        .ifPresent(socket -> {
          double high = parts.fittedHeightMm(socket);
          if (high >= missingMm - ROUNDING_MM) {
            cures.add(Misfit.Cure.of("socket", ref, high - missingMm));
          }
        });
    return cures;
  }

  /** Gives what would give a part at a place more room under what ends it. */
  List<Misfit.Cure> moreRoom(Place place, Rooms.Room room, double missingMm) {
    List<Misfit.Cure> cures = new ArrayList<>();
    switch (room.ends()) {
      case PART -> {
        parts
            .get(room.by())
            .placed()
            .ifPresent(cover -> cures.add(standing("lift", cover, missingMm)));
      }
      case LAYER -> {
        rooms
            .gapOver(place, room.by())
            .flatMap(Cures::keeper)
            .ifPresent(keeper -> cures.add(spacer(keeper, missingMm)));
        Body body = body(place);
        double width = body.right() - body.left() + 2 * PLAY_MM;
        double height = body.top() - body.low() + 2 * PLAY_MM;
        double x = (body.left() + body.right()) / 2;
        double y = (body.low() + body.top()) / 2;
        Misfit.Cure hole = Misfit.Cure.of("hole", title(room.by()), width, height, x, y);
        cures.add(isLayer(room.by()) ? hole.by(through(place, room.by(), width, height)) : hole);
      }
      case PLACE -> {
        // The kit alone knows what is there.
      }
    }
    return cures;
  }

  /** The thickest is the one that others are made for. */
  static Optional<Stack.Level> keeper(Stack.Gap gap) {
    return gap.keepers().stream()
        .max(Comparator.comparingDouble(keeper -> keeper.layer().thicknessMm().low()));
  }

  static Misfit.Cure spacer(Stack.Level keeper, double missingMm) {
    double low = keeper.layer().thicknessMm().low();
    return Misfit.Cure.of("spacer", named(keeper), low + missingMm, low)
        .by(thick(keeper, missingMm));
  }

  /** Gives that a layer is made thinner. */
  static Misfit.Cure thinner(Stack.Level keeper, double byMm) {
    double high = keeper.layer().thicknessMm().high();
    return Misfit.Cure.of("thinner", named(keeper), high - byMm, high).by(thick(keeper, -byMm));
  }

  private static Misfit.Change thick(Stack.Level keeper, double moreMm) {
    Band now = keeper.layer().thicknessMm();
    return new Misfit.Change.Thick(
        keeper.id(), new Band(tidy(now.low() + moreMm), tidy(now.high() + moreMm)));
  }

  private static double tidy(double mm) {
    return Math.round(mm * 1e6) / 1e6;
  }

  /** Gives that a part is set higher by so much. */
  static Misfit.Cure standing(String key, Place place, double moreMm) {
    double off = tidy(place.standoffMm() + moreMm);
    Mount how = place.mount() == Mount.FLUSH ? Mount.RAISED : place.mount();
    return Misfit.Cure.of(key, place.ref(), off)
        .by(new Misfit.Change.Sits(place.sitting(how, off)));
  }

  private static String named(Stack.Level level) {
    return level.layer().title().isBlank() ? level.id() : level.layer().title();
  }

  private boolean isLayer(String id) {
    return parts.kit().casing().stream()
        .flatMap(casing -> casing.layers().stream())
        .anyMatch(layer -> layer.id().equals(id));
  }

  private static Misfit.Change through(Place place, String in, double width, double height) {
    return new Misfit.Change.Hole(
        new Enclosure.Cutout(
            "for-" + place.ref(), in, place.ref(), place.at(), width, height, null));
  }

  private Body body(Place place) {
    return Body.of(parts.get(place.ref()), place);
  }

  private String title(String layer) {
    return parts.kit().casing().stream()
        .flatMap(casing -> casing.layers().stream())
        .filter(each -> each.id().equals(layer))
        .map(Enclosure.Layer::title)
        .findFirst()
        .orElse(layer);
  }

  /** Gives what would cure a part that stands beside its cut-out. */
  static Misfit.Cure enlarge(Enclosure.Cutout cutout, double dx, double dy) {
    Enclosure.Cutout to = cutout.enlarged(dx, dy);
    return new Misfit.Cure(
        Phrase.of(
            "case.cure.enlarge",
            to.widthMm(),
            to.heightMm(),
            to.at().xMm() - to.widthMm() / 2,
            to.at().yMm() - to.heightMm() / 2),
        Optional.of(new Misfit.Change.Hole(to)));
  }
}
