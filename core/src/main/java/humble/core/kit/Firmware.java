package humble.core.kit;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What goes into the controllers of a kit.
 *
 * @param targets memories that take a program
 * @param images programs that come with the kit
 * @param settings what has to be right in the files beside them
 * @param panel the front panel of an old machine, null where there is none
 * @param toggled programs that are toggled in at it
 * @param beside what stands beside the programs
 */
public record Firmware(
    List<Target> targets,
    List<Image> images,
    List<Setting> settings,
    @Nullable Panel panel,
    List<Toggled> toggled,
    Beside beside) {
  /** No firmware at all. */
  public static final Firmware NONE =
      new Firmware(List.of(), List.of(), List.of(), null, List.of(), Beside.NOTHING);

  public Firmware {
    targets = List.copyOf(targets);
    images = List.copyOf(images);
    settings = List.copyOf(settings);
    toggled = List.copyOf(toggled);
  }

  /** A run of addresses, both ends included. */
  public record Region(String id, long from, long to) {
    /** Tells whether {@code address} lies in the region. */
    public boolean holds(long address) {
      return address >= from && address <= to;
    }
  }

  /**
   * A controller's memory.
   *
   * @param id name within the kit
   * @param ref the part
   * @param memory regions that take code or data
   * @param boot regions that must stay as they are
   * @param pageBytes bytes written at once
   * @param erased what an erased byte reads as
   * @param vectorAt address that must be in an image, when there is one
   * @param uf2Family family of UF2 files, when it takes them
   * @param protocols ways to load it
   * @param facts what else is known of the chip
   */
  public record Target(
      String id,
      String ref,
      List<Region> memory,
      List<Region> boot,
      int pageBytes,
      int erased,
      @Nullable Long vectorAt,
      @Nullable Long uf2Family,
      List<String> protocols,
      ChipFacts facts) {
    public Target {
      memory = List.copyOf(memory);
      boot = List.copyOf(boot);
      protocols = List.copyOf(protocols);
    }

    /** Makes one of which nothing else is known. */
    public Target(
        String id,
        String ref,
        List<Region> memory,
        List<Region> boot,
        int pageBytes,
        int erased,
        @Nullable Long vectorAt,
        @Nullable Long uf2Family,
        List<String> protocols) {
      this(
          id,
          ref,
          memory,
          boot,
          pageBytes,
          erased,
          vectorAt,
          uf2Family,
          protocols,
          ChipFacts.UNKNOWN);
    }

    /** Gives how many bytes all its memories hold. */
    public long bytes() {
      return memory.stream().mapToLong(region -> region.to() - region.from() + 1).sum();
    }
  }

  /**
   * A program of the kit.
   *
   * @param id name within the kit
   * @param title what it does
   * @param file path relative to the kit
   * @param target id of the target it is for
   * @param sha256 hash of the bytes, or empty
   * @param base address of the first byte of a raw file, null for a file that says its own
   * @param moment when it is loaded
   * @param with files that have to lie beside it
   */
  public record Image(
      String id,
      String title,
      String file,
      String target,
      String sha256,
      @Nullable Long base,
      Moment moment,
      List<String> with) {
    public Image {
      with = List.copyOf(with);
    }
  }

  /** When a program is loaded. */
  public enum Moment {
    /** Before the part is fitted, so that one that takes no code is known while it is loose. */
    BEFORE_FIT,
    /** Before the part goes into its socket. */
    IN_SOCKET,
    /** When the board is awake. */
    AWAKE;

    /** Gives the name used in kits. */
    public String text() {
      return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** Gives the one of that name. */
    public static Optional<Moment> named(String name) {
      for (Moment moment : values()) {
        if (moment.text().equals(name)) {
          return Optional.of(moment);
        }
      }
      return Optional.empty();
    }
  }

  /** What the id of a step begins with that loads an image before its chip is on the board. */
  public static final String LOADS = "load:";

  /** Minutes that a load takes at the bench, with the cable and the look whether it runs. */
  private static final double LOAD_MIN = 3;

  /** Gives the work of loading what goes in before its chip is fitted, or before its socket. */
  List<Task> earlyLoads() {
    return images.stream()
        .filter(image -> image.moment() != Moment.AWAKE && target(image.target()).isPresent())
        .map(image ->
            new Task(
                LOADS + image.id(),
                TaskKind.LOAD,
                image.title().isEmpty() ? image.id() : image.title(),
                LOAD_MIN,
                0,
                List.of(),
                List.of(target(image.target()).orElseThrow().ref())))
        .toList();
  }

  /** Gives the image that a step loads early; empty for any other step. */
  public Optional<Image> earlyImage(String step) {
    return step.startsWith(LOADS)
        ? images.stream().filter(image -> step.equals(LOADS + image.id())).findFirst()
        : Optional.empty();
  }

  /** Gives the target of that id. */
  public Optional<Target> target(String id) {
    return targets.stream().filter(target -> target.id().equals(id)).findFirst();
  }
}
