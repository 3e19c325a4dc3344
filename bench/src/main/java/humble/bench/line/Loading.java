package humble.bench.line;

import humble.bench.ChipLeft;
import humble.bench.SerialLink;
import humble.bench.Transfer;
import humble.core.firmware.ImageEdit;
import humble.core.firmware.ProgramImage;
import humble.core.kit.Firmware;
import humble.core.words.Phrase;
import java.util.Locale;
import java.util.function.BooleanSupplier;
import java.util.function.DoubleConsumer;

/** Sends an image to a board in whichever way it takes it, and says what speaks for it then. */
public final class Loading {
  private static final int GAP = 0xff;
  private static final int BLOCK_MS = 10_000;
  private static final long MOST_BYTES = 64L << 20;

  private Loading() {}

  /** A way to a board. */
  public sealed interface Way {
    /** Page by page over the link protocol, to a chip whose pages are known. */
    record Pages(SerialLink link, Firmware.Target target) implements Way {}

    /**
     * XMODEM.
     *
     * @param beginMs how long to wait for a receiver, in milliseconds
     */
    record Xmodem(ByteLine line, boolean longBlocks, int beginMs) implements Way {}

    /**
     * A file on a board's drive.
     *
     * @param uf2 the file, as it is written
     */
    @SuppressWarnings("ArrayRecordComponent") // handed on at once, never compared
    record Drive(BoardDrive drive, String name, byte[] uf2) implements Way {}
  }

  /** What speaks for it that the program is in. */
  public enum Proof {
    /** All of it was read back, the same. */
    READ_BACK,
    /** It was read back, and is not the same. */
    DIFFERS,
    /** The board confirmed every block and the end; nothing was read back. */
    BLOCKS,
    /** The drive went away when all of it was there, as a board does that has taken it. */
    TAKEN,
    /** The maker's own command says that it worked. */
    COMMAND;

    /** Gives the name that the journal keeps. */
    public String text() {
      return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
  }

  /** How it ended. */
  public sealed interface Outcome {
    /**
     * All of it is in.
     *
     * @param kept how many of the bytes were in already and were not sent again
     */
    record Sent(long bytes, long kept, Proof proof, int retries) implements Outcome {}

    /** It was called off. */
    record Cancelled(long bytes, ChipLeft left) implements Outcome {}

    /** It did not work. */
    record Failed(Phrase why, long bytes, ChipLeft left) implements Outcome {}
  }

  /** Sends {@code image}; {@code cancelled} is asked again and again. */
  public static Outcome send(
      ProgramImage image, Way way, DoubleConsumer progress, BooleanSupplier cancelled) {
    return switch (way) {
      case Way.Pages pages ->
          switch (new Transfer(pages.link(), pages.target()).send(image, progress, cancelled)) {
            case Transfer.Outcome.Sent sent ->
                new Outcome.Sent(
                    sent.bytes(),
                    sent.kept(),
                    sent.verified() ? Proof.READ_BACK : Proof.DIFFERS,
                    sent.retries());
            case Transfer.Outcome.Cancelled off -> new Outcome.Cancelled(off.bytes(), off.left());
            case Transfer.Outcome.Failed failed ->
                new Outcome.Failed(failed.why(), failed.bytes(), failed.left());
          };
      case Way.Xmodem xmodem -> blocks(image, xmodem, progress, cancelled);
      case Way.Drive drive ->
          switch (drive.drive().copy(drive.name(), drive.uf2(), progress, cancelled)) {
            case BoardDrive.Outcome.Copied copied ->
                new Outcome.Sent(
                    image.length(),
                    0,
                    copied
                        .same()
                        .map(same -> same ? Proof.READ_BACK : Proof.DIFFERS)
                        .orElse(Proof.TAKEN),
                    0);
            case BoardDrive.Outcome.Cancelled off -> off(off.bytes());
            case BoardDrive.Outcome.Failed failed -> failed(failed.why(), failed.bytes());
          };
    };
  }

  /** A board that takes blocks or a file writes them as they come: what it keeps is not told. */
  private static ChipLeft left(long bytes) {
    return bytes == 0 ? ChipLeft.AS_IT_WAS : ChipLeft.UNKNOWN;
  }

  private static Outcome off(long bytes) {
    return new Outcome.Cancelled(bytes, left(bytes));
  }

  private static Outcome failed(Phrase why, long bytes) {
    return new Outcome.Failed(why, bytes, left(bytes));
  }

  private static Outcome blocks(
      ProgramImage image, Way.Xmodem way, DoubleConsumer progress, BooleanSupplier cancelled) {
    long from = image.segments().isEmpty() ? 0 : image.segments().getFirst().from();
    long to = image.segments().isEmpty() ? -1 : image.segments().getLast().to();
    if (to - from >= MOST_BYTES) {
      return failed(Phrase.of("xmodem.too-large", to - from + 1), 0);
    }
    XmodemSender sender = new XmodemSender(way.line(), way.longBlocks(), way.beginMs(), BLOCK_MS);
    return switch (sender.send(ImageEdit.bytes(image, from, to, GAP), progress, cancelled)) {
      case XmodemSender.Outcome.Sent sent ->
          sent.endConfirmed()
              ? new Outcome.Sent(image.length(), 0, Proof.BLOCKS, sent.retries())
              : failed(Phrase.of("xmodem.no-end"), image.length());
      case XmodemSender.Outcome.Cancelled off -> off(off.bytes());
      case XmodemSender.Outcome.Failed failed -> failed(failed.why(), failed.bytes());
    };
  }
}
