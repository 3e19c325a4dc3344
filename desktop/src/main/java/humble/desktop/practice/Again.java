package humble.desktop.practice;

import humble.core.words.Words;
import java.time.Duration;
import java.time.Instant;

/** When something comes again, in words of the size that matters. */
final class Again {
  private static final long MINUTES_OF_HOUR = 60;
  private static final long HOURS_OF_DAY = 24;

  private Again() {}

  static String say(Words words, Instant now, Instant due) {
    long minutes = Math.max(0, Duration.between(now, due).toMinutes());
    if (minutes < MINUTES_OF_HOUR) {
      return minutes == 0
          ? words.say("practice.in.now")
          : words.say("practice.in.minutes", minutes);
    }
    long hours = minutes / MINUTES_OF_HOUR;
    return hours < HOURS_OF_DAY
        ? words.say("practice.in.hours", hours)
        : words.say("practice.in.days", hours / HOURS_OF_DAY);
  }
}
