package humble.core.wake;

import humble.core.kit.Peripheral;
import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;

/**
 * Which device of a bus of two wires gets which address, what cannot be settled, and what its
 * pull-ups should be.
 *
 * @param plan the address of each device that has one
 * @param clashes devices that no strap can tell apart
 * @param pullup the pull-ups
 */
public record BusPlan(List<Given> plan, List<Clash> clashes, Pullup pullup) {
  /** Current that a device has to sink at most, in amperes. */
  private static final double SINK_A = 3e-3;

  /** What a low level may be at that current, in volts. */
  private static final double LOW_V = 0.4;

  /** From 30 % to 70 % of an exponential: ln(0.7/0.3). */
  private static final double RISE = 0.8473;

  private static final int FIRST_FREE = 0x08;
  private static final int LAST_FREE = 0x77;

  public BusPlan {
    plan = List.copyOf(plan);
    clashes = List.copyOf(clashes);
  }

  /** A device and its address. */
  public record Given(String ref, int address) {}

  /** Devices that answer at one address, whatever the straps. */
  public record Clash(int address, List<String> refs) {
    public Clash {
      refs = List.copyOf(refs);
    }
  }

  /**
   * The pull-ups of a line.
   *
   * @param nowOhm all of them together; empty where there are none
   * @param minOhm least that a device can still pull low
   * @param maxOhm most with which the line still rises in time; empty where no capacitance is known
   */
  public record Pullup(OptionalDouble nowOhm, double minOhm, OptionalDouble maxOhm) {
    /** Says what to do about them. */
    public Phrase advice() {
      double most = maxOhm.orElse(Double.POSITIVE_INFINITY);
      if (most < minOhm) {
        return Phrase.of("bus.impossible", minOhm, most);
      }
      if (nowOhm.isEmpty()) {
        return Phrase.of("bus.none", minOhm, maxOhm.orElse(minOhm * 10));
      }
      double now = nowOhm.getAsDouble();
      return now < minOhm
          ? Phrase.of("bus.strong", now, minOhm)
          : now > most
              ? Phrase.of("bus.weak", now, most)
              : Phrase.of("bus.good", now, minOhm, maxOhm.orElse(0));
    }
  }

  /**
   * Plans a bus.
   *
   * @param bus the bus
   * @param pf capacitance of each line in all, when it was measured; else it is summed up
   */
  public static BusPlan of(Peripheral.Bus bus, OptionalDouble pf) {
    Straps straps = Straps.of(bus.devices());
    return new BusPlan(straps.given(), straps.clashes(), pullup(bus, pf));
  }

  private static Pullup pullup(Peripheral.Bus bus, OptionalDouble pf) {
    double siemens = 0;
    double farads = pf.orElse(bus.pf()) * 1e-12;
    for (Peripheral.BusDevice device : bus.devices()) {
      Double ohms = device.pullupOhm();
      siemens += ohms == null || ohms <= 0 ? 0 : 1 / ohms;
      farads += pf.isPresent() ? 0 : device.pf() * 1e-12;
    }
    double riseS = bus.speedHz() <= 100_000 ? 1000e-9 : bus.speedHz() <= 400_000 ? 300e-9 : 120e-9;
    return new Pullup(
        siemens > 0 ? OptionalDouble.of(1 / siemens) : OptionalDouble.empty(),
        (bus.volts() - LOW_V) / SINK_A,
        farads > 0 ? OptionalDouble.of(riseS / (RISE * farads)) : OptionalDouble.empty());
  }

  /** Gives the addresses of the plan that the standard keeps for other things. */
  public List<Given> reserved() {
    return plan.stream()
        .filter(given -> given.address() < FIRST_FREE || given.address() > LAST_FREE)
        .toList();
  }

  /** Gives what is planned and did not answer. */
  public List<Given> missing(Collection<Integer> found) {
    return plan.stream().filter(given -> !found.contains(given.address())).toList();
  }

  /** Gives what answered and is not planned, in rising order. */
  public List<Integer> strays(Collection<Integer> found) {
    return found.stream()
        .distinct()
        .sorted()
        .filter(address -> plan.stream().noneMatch(given -> given.address() == address))
        .toList();
  }

  /** Gives what did not answer where it is planned and may be what answers at a stray address. */
  public List<Given> elsewhere(Peripheral.Bus bus, Collection<Integer> found) {
    List<Integer> strays = strays(found);
    List<Given> elsewhere = new ArrayList<>();
    for (Given given : missing(found)) {
      bus.devices().stream()
          .filter(device -> device.ref().equals(given.ref()))
          .flatMap(device -> device.addresses().stream())
          .filter(strays::contains)
          .findFirst()
          .ifPresent(address -> elsewhere.add(new Given(given.ref(), address)));
    }
    return elsewhere;
  }

  /** Gives each device an address of its own, with as few straps changed as can be. */
  private record Straps(List<Given> given, List<Clash> clashes) {
    /** What it costs to leave a device without an address: more than any number of straps. */
    private static final int WITHOUT = 1000;

    /** Where addresses end that stand for having none, one for each device. */
    private static final int NONE = 1 << 20;

    /**
     * Successive cheapest augmentations: exact for a matching of least cost. A strap that is
     * changed costs 1, a device without an address more than all of them; work grows with devices²
     * × addresses.
     */
    static Straps of(List<Peripheral.BusDevice> devices) {
      List<Peripheral.BusDevice> addressed =
          devices.stream().filter(device -> !device.addresses().isEmpty()).toList();
      Map<Integer, Integer> owner = new HashMap<>();
      int[] chosen = new int[addressed.size()];
      for (int device = 0; device < addressed.size(); device++) {
        augment(addressed, device, owner, chosen);
      }
      List<Given> given = new ArrayList<>();
      TreeMap<Integer, List<String>> clashes = new TreeMap<>();
      for (int device = 0; device < addressed.size(); device++) {
        String ref = addressed.get(device).ref();
        if (chosen[device] < HIGHEST) {
          given.add(new Given(ref, chosen[device]));
        } else {
          int address = addressed.get(device).addresses().getFirst();
          List<String> refs = clashes.computeIfAbsent(address, key -> new ArrayList<>());
          Optional.ofNullable(owner.get(address))
              .map(other -> addressed.get(other).ref())
              .filter(other -> !refs.contains(other))
              .ifPresent(refs::add);
          refs.add(ref);
        }
      }
      List<Clash> all = new ArrayList<>();
      clashes.forEach((address, refs) -> all.add(new Clash(address, refs)));
      return new Straps(given, all);
    }

    private static final int HIGHEST = 1 << 10;

    /** Of several that might go without, the last one does. */
    private static List<Integer> options(List<Peripheral.BusDevice> devices, int device) {
      List<Integer> all = new ArrayList<>(devices.get(device).addresses());
      all.add(NONE - device);
      return all;
    }

    private static int cost(List<Peripheral.BusDevice> devices, int device, int address) {
      return address > HIGHEST
          ? WITHOUT
          : devices.get(device).addresses().getFirst() == address ? 0 : 1;
    }

    private record Reached(int cost, int from, int address) {}

    private static void augment(
        List<Peripheral.BusDevice> devices, int begin, Map<Integer, Integer> owner, int[] chosen) {
      Map<Integer, Reached> reached = new TreeMap<>();
      reached.put(begin, new Reached(0, -1, -1));
      Map<Integer, Reached> free = new TreeMap<>();
      // Bellman and Ford: an augmentation may give a strap back, which costs less than nothing.
      for (int round = 0; round <= devices.size(); round++) {
        boolean better = false;
        for (int device : List.copyOf(reached.keySet())) {
          int cost = Objects.requireNonNull(reached.get(device)).cost();
          for (int address : options(devices, device)) {
            int now = cost + cost(devices, device, address);
            Integer holder = owner.get(address);
            if (holder == null) {
              better |= lower(free, address, new Reached(now, device, address));
            } else if (holder != device && holder != begin) {
              int back = cost(devices, holder, address);
              better |= lower(reached, holder, new Reached(now - back, device, address));
            }
          }
        }
        if (!better) {
          break;
        }
      }
      Reached step =
          free.values().stream()
              .min(java.util.Comparator.comparingInt(Reached::cost))
              .orElseThrow(() -> new IllegalStateException("a device may always go without"));
      while (step.from() >= 0) {
        owner.put(step.address(), step.from());
        chosen[step.from()] = step.address();
        step = Objects.requireNonNull(reached.get(step.from()));
      }
    }

    private static boolean lower(Map<Integer, Reached> all, int key, Reached now) {
      Reached before = all.get(key);
      if (before != null && before.cost() <= now.cost()) {
        return false;
      }
      all.put(key, now);
      return true;
    }
  }
}
