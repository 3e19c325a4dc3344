package humble.core.kit;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * What makes an instrument of a board that is awake: it is calibrated, trimmed, and proved on known
 * parts.
 *
 * @param trims what is trimmed
 * @param calibrations how it is calibrated
 * @param proofs what it is held to
 */
public record Finishing(List<Trim> trims, List<Calibration> calibrations, List<Proof> proofs) {
  /** Nothing of it. */
  public static final Finishing NONE = new Finishing(List.of(), List.of(), List.of());

  public Finishing {
    trims = List.copyOf(trims);
    calibrations = List.copyOf(calibrations);
    proofs = List.copyOf(proofs);
  }

  /** Gives the names of all of it. */
  public Set<String> ids() {
    Set<String> ids = new TreeSet<>();
    trims.forEach(each -> ids.add(each.id()));
    calibrations.forEach(each -> ids.add(each.id()));
    proofs.forEach(each -> ids.add(each.id()));
    return ids;
  }

  /** Gives the trim of that id. */
  public Optional<Trim> trim(String id) {
    return trims.stream().filter(each -> each.id().equals(id)).findFirst();
  }

  /** Gives the proof of that id. */
  public Optional<Proof> proof(String id) {
    return proofs.stream().filter(each -> each.id().equals(id)).findFirst();
  }

  /** Gives the calibration of that id. */
  public Optional<Calibration> calibration(String id) {
    return calibrations.stream().filter(each -> each.id().equals(id)).findFirst();
  }
}
