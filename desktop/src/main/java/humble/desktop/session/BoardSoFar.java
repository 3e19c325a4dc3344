package humble.desktop.session;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.host.HostSurvey;
import humble.core.kit.AsBuilt;
import humble.core.kit.Cable;
import humble.core.kit.ModuleRows;
import humble.core.kit.Part;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;

/** How far a board is built, from the journal. */
final class BoardSoFar {
  private BoardSoFar() {}

  /** Gives the board with everything fitted that is not lacking. */
  static AsBuilt planned(OpenBuild open) {
    Build build = open.build();
    Set<String> notThere = new HashSet<>(open.lacking());
    notThere.addAll(build.leftOut().keySet());
    notThere.addAll(HostSurvey.missing(open.parts(), open.surveyed()));
    return new AsBuilt(build.choices(), rows(open), notThere);
  }

  /**
   * Gives the board as it is now. A build that was begun elsewhere, in whose journal nothing was
   * ever fitted, has everything on it: nothing is known of what it lacks.
   */
  static AsBuilt of(OpenBuild open) {
    AsBuilt planned = planned(open);
    Set<String> fitted = open.onBoard();
    if (open.build().fittedRefs().isEmpty()) {
      return planned;
    }
    Set<String> notThere = new HashSet<>(planned.notThere());
    open.parts().all().stream()
        .filter(part -> part.placed().isPresent())
        .map(Part::ref)
        .filter(ref -> !fitted.contains(ref))
        .forEach(notThere::add);
    open.kit().handwork().cables().stream()
        .filter(cable -> !open.build().doneSteps().containsAll(open.kit().linksOf(cable)))
        .map(Cable::id)
        .forEach(notThere::add);
    return new AsBuilt(planned.choices(), planned.rows(), notThere);
  }

  private static Map<String, String> rows(OpenBuild open) {
    Map<String, String> rows = new HashMap<>();
    for (ModuleRows module : open.kit().handwork().modules()) {
      open.build()
          .module(module.ref())
          .map(BuildEvent.ModuleRead::row)
          .filter(row -> !row.isEmpty())
          .ifPresent(row -> rows.put(module.ref(), row));
    }
    return rows;
  }
}
