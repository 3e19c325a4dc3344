package humble.core.build;

import humble.core.kit.Calibration;
import humble.core.kit.Finishing;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/** How far trims, calibrations and proofs of a build are. */
public final class Finished {
  private final Map<String, List<BuildEvent.TrimTried>> tries = new LinkedHashMap<>();
  private final Map<String, List<Double>> from = new LinkedHashMap<>();
  private final Map<String, BuildEvent.TrimLeft> left = new LinkedHashMap<>();
  private final Map<String, Map<Integer, BuildEvent.Calibrated>> calibrated = new LinkedHashMap<>();
  private final Map<String, BuildEvent.Proved> proved = new LinkedHashMap<>();

  Finished() {}

  void tried(BuildEvent.TrimTried tried) {
    tries.computeIfAbsent(tried.trim(), key -> new ArrayList<>()).add(tried);
    left.remove(tried.trim());
  }

  void anew(String trim) {
    List<BuildEvent.TrimTried> before = tries.getOrDefault(trim, List.of());
    if (!before.isEmpty()) {
      from.put(trim, before.getLast().at());
    }
    tries.remove(trim);
    left.remove(trim);
  }

  void left(BuildEvent.TrimLeft now) {
    left.put(now.trim(), now);
  }

  void calibrated(BuildEvent.Calibrated step) {
    calibrated
        .computeIfAbsent(step.calibration(), key -> new LinkedHashMap<>())
        .put(step.step(), step);
  }

  void proved(BuildEvent.Proved now) {
    proved.put(now.proof(), now);
  }

  /** What another hand trimmed, calibrated or proved does not count here. */
  void forget() {
    tries.clear();
    from.clear();
    left.clear();
    calibrated.clear();
    proved.clear();
  }

  /** Gives what was tried of a trim since its signal was as it is. */
  public List<BuildEvent.TrimTried> tries(String trim) {
    return List.copyOf(tries.getOrDefault(trim, List.of()));
  }

  /** Gives the setting that a trim that began anew goes on from. */
  public Optional<List<Double>> from(String trim) {
    return Optional.ofNullable(from.get(trim));
  }

  /** Gives how a trim was left. */
  public Optional<BuildEvent.TrimLeft> left(String trim) {
    return Optional.ofNullable(left.get(trim));
  }

  /** Gives a step of a calibration that was done; its number is from 1. */
  public Optional<BuildEvent.Calibrated> step(String calibration, int step) {
    return Optional.ofNullable(calibrated.getOrDefault(calibration, Map.of()).get(step));
  }

  /** Tells whether every step of a calibration was done; one without steps never is. */
  public boolean isCalibrated(Calibration calibration) {
    return !calibration.steps().isEmpty()
        && calibrated.getOrDefault(calibration.id(), Map.of()).size() >= calibration.steps().size();
  }

  /** Gives what an instrument read of a known part. */
  public Optional<BuildEvent.Proved> proved(String proof) {
    return Optional.ofNullable(proved.get(proof));
  }

  /**
   * Gives the ids of what is over, whatever came of it: trims that were left, calibrations of which
   * every step was done, proofs that were read.
   */
  public Set<String> over(Finishing finishing) {
    Set<String> over = new TreeSet<>(finishing.ids());
    over.removeIf(id ->
        !left.containsKey(id)
            && !proved.containsKey(id)
            && finishing.calibration(id).filter(this::isCalibrated).isEmpty());
    return over;
  }

  /** Tells whether anything of it was simulated. */
  public boolean restsOnPractice() {
    return left.values().stream().anyMatch(BuildEvent.TrimLeft::practice)
        || proved.values().stream().anyMatch(BuildEvent.Proved::practice)
        || calibrated.values().stream()
            .flatMap(steps -> steps.values().stream())
            .anyMatch(BuildEvent.Calibrated::practice);
  }
}
