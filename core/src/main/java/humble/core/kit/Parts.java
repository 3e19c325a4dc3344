package humble.core.kit;

import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;

/**
 * The parts of a kit by reference, and the net of every pin: an index made once from a kit and from
 * how it was built. Whoever reckons with a board asks here what is on it.
 */
public final class Parts {
  private static final double SAME_PLACE_MM = 0.05;

  private final Kit kit;
  private final AsBuilt built;
  private final Set<String> comingOff;
  private final SequencedMap<String, Part> byRef = new LinkedHashMap<>();
  private final Map<PinRef, String> netOf = new LinkedHashMap<>();
  private final Map<String, String> socketOf = new LinkedHashMap<>();

  private Parts(Kit kit, AsBuilt built) {
    this.kit = kit;
    this.comingOff = kit.comingOff();
    this.built = built;
  }

  /** Gives the index of {@code kit} as designed; parts of unknown packages are left out. */
  public static Parts of(Kit kit) {
    return of(kit, AsBuilt.DESIGNED);
  }

  /** Gives the index of an edited kit, built as this one is. */
  public Parts with(Kit edited) {
    return of(edited, built);
  }

  /** Gives the index of {@code kit} as {@code built}, its modules being in their rows already. */
  public static Parts of(Kit kit, AsBuilt built) {
    Parts parts = new Parts(kit, built);
    Map<String, Place> places = new LinkedHashMap<>();
    kit.places().forEach(place -> places.putIfAbsent(place.ref(), place));
    for (Line line : kit.lines()) {
      Optional<PartPackage> pack = kit.packageNamed(line.packageId());
      if (pack.isPresent()) {
        for (String ref : line.refs()) {
          Place place = places.get(ref);
          PartPackage here = place == null ? pack.get() : pack.get().formedFor(place);
          parts.byRef.putIfAbsent(
              ref, new Part(ref, line, here, place, UsualModel.of(line, pack.get())));
        }
      }
    }
    kit.nets()
        .forEach((net, pins) ->
            pins.forEach(pin -> parts.canonical(pin).ifPresent(p -> parts.netOf.put(p, net))));
    parts.findSockets();
    return parts;
  }

  private void findSockets() {
    List<Part> sockets =
        byRef.values().stream().filter(part -> takesAnother(part) && part.place() != null).toList();
    for (Part chip : byRef.values()) {
      Place place = chip.place();
      if (place == null || place.mount() != Mount.SOCKETED) {
        continue;
      }
      for (Part socket : sockets) {
        Place under = socket.place();
        if (under != null
            && under.board().equals(place.board())
            && under.side() == place.side()
            && sits(chip, socket)
            && under.at().distanceMm(place.at()) < SAME_PLACE_MM) {
          socketOf.put(chip.ref(), socket.ref());
        }
      }
    }
  }

  private static boolean takesAnother(Part part) {
    return part.line().kind() == PartKind.SOCKET || part.line().kind() == PartKind.BATTERY_HOLDER;
  }

  /** A cell goes into a holder, everything else into a socket. */
  private static boolean sits(Part part, Part socket) {
    boolean holder = socket.line().kind() == PartKind.BATTERY_HOLDER;
    return holder == (part.line().kind() == PartKind.BATTERY);
  }

  /** Gives the kit this index was made of. */
  public Kit kit() {
    return kit;
  }

  /** Gives how the board was built. */
  public AsBuilt built() {
    return built;
  }

  /**
   * Gives the refs that are not on the board in a state: absent in it, left out by what was chosen,
   * else by what the state chooses, taken off a host for good, or not there at all.
   */
  public Set<String> gone(BoardState state) {
    Map<String, String> chosen = new HashMap<>(state.choose());
    chosen.putAll(built.choices());
    Set<String> gone = new HashSet<>(Choices.leftOut(kit, chosen));
    gone.addAll(state.absent());
    gone.addAll(comingOff);
    gone.addAll(built.notThere());
    return gone;
  }

  /** Tells whether a part is on the board in a state. */
  public boolean isOn(String ref, BoardState state) {
    return !gone(state).contains(ref);
  }

  /** Gives every part in the order of the parts list. */
  public List<Part> all() {
    return List.copyOf(byRef.values());
  }

  /** Gives the part of that reference. */
  public Optional<Part> part(String ref) {
    return Optional.ofNullable(byRef.get(ref));
  }

  /**
   * Gives the part of that reference.
   *
   * @throws IllegalArgumentException when the kit has none; a checked kit always has
   */
  public Part get(String ref) {
    return part(ref)
        .orElseThrow(() -> new IllegalArgumentException("no part " + ref + " in kit " + kit.id()));
  }

  /** Gives the pin with its alias replaced by its number. */
  public Optional<PinRef> canonical(PinRef pin) {
    return part(pin.ref())
        .flatMap(part -> part.pinNumber(pin.pin()).map(number -> new PinRef(pin.ref(), number)));
  }

  /** Gives the net a pin belongs to. */
  public Optional<String> netOf(PinRef pin) {
    return canonical(pin).map(netOf::get);
  }

  /**
   * Gives the net that {@code text}, a net name or a pin {@code REF.PIN}, stands for; net names
   * come first.
   */
  public Optional<String> net(String text) {
    return kit.nets().containsKey(text)
        ? Optional.of(text)
        : PinRef.parse(text).flatMap(this::netOf);
  }

  /**
   * Gives the pins of a part that its current flows through and that belong to no net: as long as
   * there are any, nobody can say what it takes. Contacts and knobs are left out: which of their
   * pins are used is the board's affair.
   */
  public List<String> unjoined(Part part) {
    List<String> pins =
        part.model() instanceof Model.Switch || part.model() instanceof Model.Pot
            ? List.of()
            : part.currentPins();
    return pins.stream().filter(pin -> netOf(new PinRef(part.ref(), pin)).isEmpty()).toList();
  }

  /** Gives the socket that the chip {@code ref} goes into. */
  public Optional<String> socketOf(String ref) {
    return Optional.ofNullable(socketOf.get(ref));
  }

  /** Gives the chip that goes into the socket {@code ref}. */
  public Optional<String> chipIn(String ref) {
    return socketOf.entrySet().stream()
        .filter(e -> e.getValue().equals(ref))
        .map(Map.Entry::getKey)
        .findFirst();
  }

  /**
   * Gives the height over its board when fitted, in millimetres: package, standoff, and the socket
   * it stands on.
   */
  public double fittedHeightMm(String ref) {
    Part part = get(ref);
    double standoff = part.placed().map(Place::standoffMm).orElse(0.0);
    double socket = socketOf(ref).map(this::fittedHeightMm).orElse(0.0);
    boolean lies = part.placed().filter(place -> place.mount() == Mount.LYING).isPresent();
    double own = lies ? LyingForm.heightMm(part.pack()) : part.pack().heightMm();
    return own + standoff + socket;
  }

  /** Gives the height over its board that a part would have if it lay on it, in millimetres. */
  public double lyingHeightMm(String ref) {
    return LyingForm.heightMm(get(ref).pack());
  }

  /**
   * Gives how far the underside of a part is off its board, in millimetres: its standoff and what
   * it is plugged into.
   */
  public double undersideMm(String ref) {
    double standoff = get(ref).placed().map(Place::standoffMm).orElse(0.0);
    return standoff + socketOf(ref).map(this::fittedHeightMm).orElse(0.0);
  }

  /** Gives where the pad of a pin is, on its board, from the top. */
  public Optional<PointMm> padAt(PinRef pin) {
    return canonical(pin).flatMap(p -> get(p.ref()).padAt(p.pin()));
  }
}
