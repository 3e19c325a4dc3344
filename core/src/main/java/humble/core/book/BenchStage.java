package humble.core.book;

import humble.core.build.BuildEvent;
import java.util.Locale;
import java.util.Optional;

/** A stage of the work, in the order in which a build goes through them. */
public enum BenchStage {
  SHELF,
  UNPACK,
  SORT,
  PLAN,
  FIT,
  POWER,
  LOAD,
  WAKE,
  CLOSE,
  BOOK;

  /** Gives the name used in kit files and in output. */
  public String text() {
    return name().toLowerCase(Locale.ROOT);
  }

  /** Gives the stage that an act belongs to; empty where it belongs to none of its own. */
  public static Optional<BenchStage> of(BuildEvent event) {
    return switch (event) {
      case BuildEvent.Counted e -> Optional.of(UNPACK);
      case BuildEvent.Measured e -> Optional.of(SORT);
      case BuildEvent.BandsRead e -> Optional.of(SORT);
      case BuildEvent.Sees e -> Optional.of(SORT);
      case BuildEvent.UsesMeter e -> Optional.of(SORT);
      case BuildEvent.FedBy e -> Optional.of(POWER);
      case BuildEvent.SeriesRead e -> Optional.of(POWER);
      case BuildEvent.Checked e ->
          Optional.of(e.check().equals(BuildEvent.Checked.SUPPLY) ? UNPACK : POWER);
      case BuildEvent.HostRead e -> Optional.of(UNPACK);
      case BuildEvent.Surveyed e -> Optional.of(UNPACK);
      case BuildEvent.HoleSeen e -> Optional.of(FIT);
      case BuildEvent.Answered e -> Optional.of(SHELF);
      case BuildEvent.LookedOver e -> Optional.of(UNPACK);
      case BuildEvent.Snapped e -> Optional.of(UNPACK);
      case BuildEvent.TookSchool e -> Optional.of(PLAN);
      case BuildEvent.Moved e -> Optional.of(PLAN);
      case BuildEvent.Fitted e -> Optional.of(FIT);
      case BuildEvent.FittedSome e -> Optional.of(FIT);
      case BuildEvent.TookOut e -> Optional.of(FIT);
      case BuildEvent.LeftOut e -> Optional.of(FIT);
      case BuildEvent.Replaced e -> Optional.of(FIT);
      case BuildEvent.Chose e -> Optional.of(FIT);
      case BuildEvent.GateRead e -> Optional.of(POWER);
      case BuildEvent.GatePassed e -> Optional.of(POWER);
      case BuildEvent.GateOverridden e -> Optional.of(POWER);
      case BuildEvent.Mended e -> Optional.of(POWER);
      case BuildEvent.Observed e -> Optional.empty();
      case BuildEvent.FaultHidden e -> Optional.empty();
      case BuildEvent.SettingMade e -> Optional.of(LOAD);
      case BuildEvent.BesideDone e -> Optional.of(LOAD);
      case BuildEvent.RowPut e -> Optional.of(LOAD);
      case BuildEvent.RowRead e -> Optional.of(LOAD);
      case BuildEvent.PanelOff e -> Optional.of(LOAD);
      case BuildEvent.ProgramShown e -> Optional.of(LOAD);
      case BuildEvent.UsesProgrammer e -> Optional.of(LOAD);
      case BuildEvent.Loaded e -> Optional.of(LOAD);
      case BuildEvent.Started e -> Optional.of(LOAD);
      case BuildEvent.Saw e -> Optional.of(WAKE);
      case BuildEvent.Woke e -> Optional.of(WAKE);
      case BuildEvent.TrimAnew e -> Optional.of(WAKE);
      case BuildEvent.TrimTried e -> Optional.of(WAKE);
      case BuildEvent.TrimLeft e -> Optional.of(WAKE);
      case BuildEvent.Calibrated e -> Optional.of(WAKE);
      case BuildEvent.Proved e -> Optional.of(WAKE);
      case BuildEvent.ScrewTaken e -> Optional.of(CLOSE);
      case BuildEvent.Closed e -> Optional.of(CLOSE);
      case BuildEvent.PlansEvenings e -> Optional.of(PLAN);
      case BuildEvent.MarksWeighed e -> Optional.of(FIT);
      case BuildEvent.ModuleRead e -> Optional.of(FIT);
      case BuildEvent.Wound e -> Optional.of(FIT);
      case BuildEvent.Coiled e -> Optional.of(FIT);
      case BuildEvent.Tried e -> Optional.of(FIT);
      case BuildEvent.Repaired e -> Optional.of(POWER);
      case BuildEvent.JointSeen e -> Optional.empty();
      case BuildEvent.Began e -> Optional.empty();
      case BuildEvent.Turned e -> Optional.empty();
      case BuildEvent.MarkSeen e -> Optional.empty();
      case BuildEvent.Acknowledged e -> Optional.empty();
      case BuildEvent.SaysDangers e -> Optional.of(UNPACK);
      case BuildEvent.CameAlong e -> Optional.of(SHELF);
      case BuildEvent.SeenFitted e -> Optional.of(FIT);
      case BuildEvent.RestsOn e -> Optional.of(UNPACK);
      case BuildEvent.PhotoKept e -> Optional.empty();
      case BuildEvent.Drilled e -> Optional.empty();
      case BuildEvent.Walked e -> Optional.empty();
      case BuildEvent.Noted e -> Optional.of(BOOK);
      case BuildEvent.Wrong e -> Optional.of(BOOK);
      case BuildEvent.TookBack e -> Optional.empty();
      case BuildEvent.Unread e -> Optional.of(BOOK);
    };
  }
}
