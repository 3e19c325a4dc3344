package humble.bench;

import humble.core.firmware.ProgramImage;
import humble.core.kit.Firmware;
import humble.core.words.Phrase;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.DoubleConsumer;

/**
 * Sends an image page by page over the link protocol and reads every page back.
 *
 * <p>A page whose answer is a checksum error is sent again, three times at most. The page with the
 * start vector is erased first and written last: after a cancel or a failure a half-loaded board
 * does not start.
 */
public final class Transfer {
  private static final int TRIES = 3;

  private final SerialLink link;
  private final Firmware.Target target;
  private ChipLeft left = ChipLeft.AS_IT_WAS;
  private long sent;

  /** Makes a transfer to {@code target} over {@code link}. */
  public Transfer(SerialLink link, Firmware.Target target) {
    this.link = link;
    this.target = target;
  }

  /** How a transfer ended. */
  public sealed interface Outcome {
    /**
     * Everything is in.
     *
     * @param bytes bytes of the image
     * @param kept of these, how many were in already and were not written again
     * @param verified whether every page read back as sent
     */
    record Sent(long bytes, long kept, boolean verified, int retries) implements Outcome {}

    /** It was cancelled after so many bytes. */
    record Cancelled(long bytes, ChipLeft left) implements Outcome {}

    /** The board refused or did not answer. */
    record Failed(Phrase why, long bytes, ChipLeft left) implements Outcome {}
  }

  /**
   * Sends {@code image}. Pages that are in already are not written again, so that a transfer that
   * was cut off goes on where it stopped.
   *
   * @param image the image, checked against the target before
   * @param progress told the share done, 0 to 1
   * @param cancelled asked before every page
   */
  public Outcome send(ProgramImage image, DoubleConsumer progress, BooleanSupplier cancelled) {
    left = ChipLeft.AS_IT_WAS;
    sent = 0;
    try {
      Optional<Phrase> other = Greeting.stranger(link.ask("hello"), target);
      if (other.isPresent()) {
        return new Outcome.Failed(other.get(), 0, left);
      }
      ImagePages pages = ImagePages.of(image, target);
      List<ImagePages.Page> missing = missing(pages, cancelled);
      long kept = image.length() - missing.stream().mapToLong(ImagePages.Page::defined).sum();
      sent = kept;
      int retries = 0;
      if (!missing.isEmpty() && !cancelled.getAsBoolean()) {
        stop(pages);
      }
      for (ImagePages.Page page : missing) {
        if (cancelled.getAsBoolean()) {
          return new Outcome.Cancelled(sent, left);
        }
        erase(page);
        if (pages.vector().filter(page::equals).isPresent()) {
          // Half written it may start all the same.
          left = ChipLeft.UNKNOWN;
        }
        int tries = write(page);
        retries += tries - 1;
        sent += page.defined();
        progress.accept(sent / (double) image.length());
      }
      boolean verified = true;
      for (ImagePages.Page page : pages.all()) {
        verified &= same(page);
      }
      progress.accept(1);
      String started = verified ? link.ask("start") : "ok";
      return started.equals("ok")
          ? new Outcome.Sent(sent, kept, verified, retries)
          : new Outcome.Failed(
              Phrase.of("link.not-started", started), sent, ChipLeft.ALL_THAT_DOES_NOT_START);
    } catch (Refused e) {
      return new Outcome.Failed(e.why, sent, left);
    } catch (LineTrouble e) {
      return new Outcome.Failed(e.phrase(), sent, left);
    } catch (IOException e) {
      return new Outcome.Failed(
          Phrase.of("link.broken", String.valueOf(e.getMessage())), sent, left);
    }
  }

  /**
   * Gives the pages that are not in yet, by their sums. Where any is missing the one with the start
   * vector is: it goes last. A board that tells no sums has them all missing.
   */
  private List<ImagePages.Page> missing(ImagePages pages, BooleanSupplier cancelled)
      throws IOException {
    List<ImagePages.Page> missing = new ArrayList<>();
    boolean tells = true;
    for (ImagePages.Page page : pages.all()) {
      boolean asked = tells && !cancelled.getAsBoolean();
      String answer =
          asked
              ? link.ask(
                  String.format(Locale.ROOT, "crc 0x%x %d", page.address(), page.bytes().length))
              : "";
      tells &= !asked || answer.startsWith("ok ");
      boolean vector = pages.vector().filter(page::equals).isPresent();
      if (!answer.equals("ok " + sum(page)) || (vector && !missing.isEmpty())) {
        missing.add(page);
      }
    }
    return missing;
  }

  /** The page with the start vector is erased before anything is changed: half of it never runs. */
  private void stop(ImagePages pages) throws IOException {
    left = ChipLeft.UNKNOWN;
    if (pages.vector().isPresent()) {
      erase(pages.vector().get());
      left = ChipLeft.PART_THAT_DOES_NOT_START;
    }
  }

  private void erase(ImagePages.Page page) throws IOException {
    String erased =
        link.ask(String.format(Locale.ROOT, "erase 0x%x %d", page.address(), page.bytes().length));
    if (!erased.equals("ok")) {
      throw new Refused(Phrase.of("link.not-erased", hex(page.address()), erased));
    }
  }

  /** A page that was refused as often as it is tried. */
  private static final class Refused extends IOException {
    private static final long serialVersionUID = 1L;

    private final transient Phrase why;

    private Refused(Phrase why) {
      super(why.key());
      this.why = why;
    }
  }

  private static String hex(long address) {
    return "0x" + Long.toHexString(address);
  }

  private int write(ImagePages.Page page) throws IOException {
    String request =
        String.format(
            Locale.ROOT,
            "page 0x%x %s %s",
            page.address(),
            HexFormat.of().formatHex(page.bytes()),
            sum(page));
    String answer = "";
    for (int tries = 1; tries <= TRIES; tries++) {
      answer = link.ask(request);
      if (answer.equals("ok")) {
        return tries;
      }
    }
    throw new Refused(Phrase.of("link.page-refused", hex(page.address()), TRIES, answer));
  }

  private static String sum(ImagePages.Page page) {
    return String.format(
        Locale.ROOT, "%08x", SimulatedController.crcOf(page.bytes(), 0, page.bytes().length));
  }

  private boolean same(ImagePages.Page page) throws IOException {
    String answer =
        link.ask(String.format(Locale.ROOT, "read 0x%x %d", page.address(), page.bytes().length));
    return answer.equals("ok " + HexFormat.of().formatHex(page.bytes()));
  }
}
