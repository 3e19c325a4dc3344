package humble.core.own;

import humble.core.kit.Kit;
import humble.core.kit.Model;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;

/**
 * Which pairs of pads to buzz with a continuity meter until everything that the first gate rests on
 * is settled: every pad of the supply, of what switches and regulates it, and of the chips is
 * joined with its rail, and no rail with another.
 *
 * <p>That {@code n} pads are one net takes {@code n - 1} pairs that beep, and that {@code k} nets
 * are apart takes a pair for each two of them; as long as every guess holds no fewer pairs could
 * tell, and no more are asked for. A pad that does not beep where it was thought to belong is tried
 * at the other rails, the likeliest first.
 */
public final class Buzzing {
  /** Begins the ids of such answers; the two pads follow, divided by a bar. */
  public static final String QUESTION = "buzz:";

  /** What is said of a pair that beeps, and of one that does not. */
  public static final String JOINED = "joined";

  public static final String OPEN = "open";

  private final Kit kit;
  private final Parts parts;
  private final Map<PinRef, PinRef> joinedTo = new HashMap<>();
  private final Set<Pair> open = new LinkedHashSet<>();
  private final SequencedMap<String, PinRef> anchors = new LinkedHashMap<>();

  /** What a pair should do. */
  public enum Should {
    /** They are thought to be one net. */
    BEEP,
    /** They are pads of two rails. */
    BE_SILENT,
    /** Nobody knows. */
    TELL
  }

  /**
   * A pair of pads.
   *
   * @param a a pad of a rail
   * @param b the pad that may belong to it
   * @param net the rail
   * @param should whether it should beep, as far as is known
   */
  public record Pair(PinRef a, PinRef b, String net, Should should) {
    /** Gives the id of its question. */
    public String id() {
      return QUESTION + a + "|" + b;
    }
  }

  /**
   * Makes the questions of a kit.
   *
   * @param said answers about the kit, by question
   */
  public Buzzing(Kit kit, Map<String, String> said) {
    this.kit = kit;
    this.parts = Parts.of(kit);
    said.forEach((question, answer) -> {
      if (question.startsWith(QUESTION)) {
        learn(question.substring(QUESTION.length()), answer);
      }
    });
    rails();
  }

  private void learn(String pair, String answer) {
    int bar = pair.indexOf('|');
    Optional<PinRef> a = bar < 0 ? Optional.empty() : PinRef.parse(pair.substring(0, bar));
    Optional<PinRef> b = bar < 0 ? Optional.empty() : PinRef.parse(pair.substring(bar + 1));
    if (a.isPresent() && b.isPresent()) {
      if (answer.equals(JOINED)) {
        joinedTo.put(root(b.get()), root(a.get()));
      } else {
        open.add(new Pair(a.get(), b.get(), "", Should.TELL));
      }
    }
  }

  private PinRef root(PinRef pin) {
    PinRef at = pin;
    for (PinRef up = joinedTo.get(at); up != null && !up.equals(at); up = joinedTo.get(at)) {
      at = up;
    }
    return at;
  }

  private boolean isJoined(PinRef a, PinRef b) {
    return root(a).equals(root(b));
  }

  /** Two pads are known to be apart when two that are joined with them did not beep. */
  private boolean isApart(PinRef a, PinRef b) {
    return open.stream()
        .anyMatch(pair ->
            isJoined(pair.a(), a) && isJoined(pair.b(), b)
                || isJoined(pair.a(), b) && isJoined(pair.b(), a));
  }

  /** The nets that the first gate rests on, each with the pad that the probe stays on. */
  private void rails() {
    kit.supplies().stream()
        .findFirst()
        .ifPresent(supply -> {
          parts.net(supply.minus()).ifPresent(this::rail);
          parts.net(supply.plus()).ifPresent(this::rail);
        });
    for (Pin pin : pins()) {
      parts.netOf(pin.at()).ifPresent(this::rail);
    }
  }

  private void rail(String net) {
    List<PinRef> pins = kit.nets().getOrDefault(net, List.of());
    pins.stream()
        .filter(pin -> parts.padAt(pin).isPresent())
        .findFirst()
        .ifPresent(pin -> anchors.putIfAbsent(net, pin));
  }

  /** A pad that the gate rests on, and what it is: a pad of ground, or of a rail. */
  private record Pin(PinRef at, boolean ground) {}

  private List<Pin> pins() {
    List<Pin> pins = new ArrayList<>();
    for (Part part : parts.all()) {
      if (part.placed().isEmpty()) {
        continue;
      }
      switch (part.model()) {
        case Model.Regulator r -> {
          add(pins, part, r.gnd(), true);
          add(pins, part, r.in(), false);
          add(pins, part, r.out(), false);
        }
        case Model.Load load -> {
          add(pins, part, load.minus(), true);
          add(pins, part, load.plus(), false);
        }
        case Model.Switch contacts -> {
          if (part.line().kind() == PartKind.SWITCH) {
            contacts.poles().getFirst().stream()
                .filter(pin -> parts.netOf(new PinRef(part.ref(), pin)).isPresent())
                .forEach(pin -> add(pins, part, pin, false));
          }
        }
        case Model.Resistor m -> {}
        case Model.Junction m -> {}
        case Model.Zener m -> {}
        case Model.Bipolar m -> {}
        case Model.Mosfet m -> {}
        case Model.Battery m -> {}
        case Model.Pot m -> {}
        case Model.Closed m -> {}
        case Model.Open m -> {}
      }
    }
    return pins;
  }

  private static void add(List<Pin> pins, Part part, String pin, boolean ground) {
    pins.add(new Pin(new PinRef(part.ref(), pin), ground));
  }

  /** Gives the pairs that are still worth buzzing, as far as they can be foreseen. */
  public List<Pair> open() {
    List<Pair> pairs = new ArrayList<>();
    for (Pin pin : pins()) {
      next(pin).ifPresent(pairs::add);
    }
    List<Map.Entry<String, PinRef>> rails = List.copyOf(anchors.sequencedEntrySet());
    for (int i = 0; i < rails.size(); i++) {
      for (int j = i + 1; j < rails.size(); j++) {
        PinRef a = rails.get(i).getValue();
        PinRef b = rails.get(j).getValue();
        if (!isJoined(a, b) && !isApart(a, b)) {
          pairs.add(new Pair(a, b, rails.get(j).getKey(), Should.BE_SILENT));
        }
      }
    }
    return pairs;
  }

  /** The rail to try a pad at next; empty once it is settled, or belongs to none of them. */
  private Optional<Pair> next(Pin pin) {
    String thought = parts.netOf(pin.at()).orElse("");
    List<String> order = new ArrayList<>(anchors.keySet());
    // Where it is thought to be comes first; a pad of ground is tried at ground before the rest.
    if (!pin.ground() && order.size() > 1) {
      order.add(order.removeFirst());
    }
    if (order.remove(thought)) {
      order.addFirst(thought);
    }
    for (String net : order) {
      PinRef anchor = anchors.get(net);
      if (anchor == null || isJoined(anchor, pin.at())) {
        return Optional.empty();
      }
    }
    return order.stream()
        .filter(net -> !isApart(anchors.getOrDefault(net, pin.at()), pin.at()))
        .findFirst()
        .map(net ->
            new Pair(
                anchors.getOrDefault(net, pin.at()),
                pin.at(),
                net,
                net.equals(thought) ? Should.BEEP : Should.TELL));
  }

  /** Gives pairs that beep although they are pads of different rails: the board has a short. */
  public List<Pair> shorts() {
    List<Pair> shorts = new ArrayList<>();
    List<Map.Entry<String, PinRef>> rails = List.copyOf(anchors.sequencedEntrySet());
    for (int i = 0; i < rails.size(); i++) {
      for (int j = i + 1; j < rails.size(); j++) {
        if (isJoined(rails.get(i).getValue(), rails.get(j).getValue())) {
          shorts.add(
              new Pair(
                  rails.get(i).getValue(),
                  rails.get(j).getValue(),
                  rails.get(j).getKey(),
                  Should.BE_SILENT));
        }
      }
    }
    return shorts;
  }

  /** What follows when a pair was buzzed. */
  public Follows buzzed(Pair pair, boolean beeps) {
    String now = parts.netOf(pair.b()).orElse("");
    boolean anchor = anchors.containsValue(pair.b());
    if (beeps) {
      return now.equals(pair.net()) || anchor
          ? Follows.nothing()
          : Joining.joined(kit, List.of(pair.a(), pair.b()));
    }
    return now.equals(pair.net()) && !anchor ? Joining.parted(kit, pair.b()) : Follows.nothing();
  }
}
