package humble.core.kit;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What goes into the controllers of a kit.
 *
 * @param targets memories that take a program
 * @param images programs that come with the kit
 */
public record Firmware(List<Target> targets, List<Image> images) {
  /** No firmware at all. */
  public static final Firmware NONE = new Firmware(List.of(), List.of());

  public Firmware {
    targets = List.copyOf(targets);
    images = List.copyOf(images);
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
      List<String> protocols) {
    public Target {
      memory = List.copyOf(memory);
      boot = List.copyOf(boot);
      protocols = List.copyOf(protocols);
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
   */
  public record Image(String id, String title, String file, String target, String sha256) {}

  /** Gives the target of that id. */
  public Optional<Target> target(String id) {
    return targets.stream().filter(target -> target.id().equals(id)).findFirst();
  }
}
