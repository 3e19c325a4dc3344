package humble.desktop.load;

import humble.bench.line.BoardDrive;
import humble.bench.line.PortSeen;
import humble.bench.line.SerialPorts;
import humble.core.kit.Firmware;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;

/** The ways to a chip that are there now: looked for on a thread of its own. */
final class LoadWays {
  private static final String DRIVE = "drive";

  private static final int PAUSE_MS = 1_000;
  private static final int STEP_MS = 50;

  private final SerialPorts ports = new SerialPorts();
  private boolean before;

  /**
   * Looks what is plugged in that takes what {@code target} speaks; what is fresh comes first.
   * Waits a moment when it was looked at before.
   */
  List<LoadWay> look(Firmware.Target target, BooleanSupplier calledOff) {
    for (int waited = 0;
        before && waited < PAUSE_MS && !calledOff.getAsBoolean();
        waited += STEP_MS) {
      LockSupport.parkNanos(STEP_MS * 1_000_000L);
    }
    before = true;
    List<LoadWay> ways = new ArrayList<>();
    Optional<String> overPort =
        target.protocols().stream().filter(each -> !each.equals(DRIVE)).findFirst();
    if (target.protocols().contains(DRIVE) || target.uf2Family() != null) {
      BoardDrive.all().forEach(drive -> ways.add(new LoadWay.Drive(drive.folder(), drive.board())));
    }
    List<PortSeen> seen = ports.look();
    if (overPort.isPresent()) {
      for (boolean fresh : new boolean[] {true, false}) {
        seen.stream()
            .filter(port -> port.fresh() == fresh)
            .forEach(port ->
                ways.add(new LoadWay.Port(port.name(), port.says(), fresh, overPort.get())));
      }
    }
    return List.copyOf(ways);
  }
}
