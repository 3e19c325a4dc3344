package humble.formats.report;

import humble.core.build.Build;
import humble.core.kit.Kit;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.ZoneId;
import java.util.Base64;
import java.util.Locale;

/** Writes the logbook of a build as one page: no scripts, no outside files. */
public final class HtmlReport {
  private static final String STYLE =
      "body{font:16px/1.5 'B612',sans-serif;background:#f6efe3;color:#22303a;max-width:52em;"
          + "margin:2em auto;padding:0 1em}h1,h2{line-height:1.2}"
          + "table{border-collapse:collapse;width:100%}td,th{text-align:left;"
          + "padding:.3em .8em .3em 0;border-bottom:1px solid #e5d3b3;vertical-align:top}"
          + "img{max-width:100%}.back{text-decoration:line-through;color:#6d6a61}td:first-child{white-space:nowrap}";

  /** The policy lets in photos that stand in the page itself, where there are any. */
  private static final String PHOTOS = "img-src data:; ";

  private HtmlReport() {}

  /** Gives the page, with a policy that lets nothing else in. */
  public static String of(Kit kit, Build build, Locale locale, ZoneId zone) {
    return of(kit, build, locale, zone, KeptPhotos.NONE);
  }

  /** Gives the page with the photos of the build in it. */
  public static String of(Kit kit, Build build, Locale locale, ZoneId zone, KeptPhotos photos) {
    return page(LogbookWriter.of(kit, build, locale, zone, Integer.MAX_VALUE, photos));
  }

  static String page(Logbook book) {
    StringBuilder out = new StringBuilder(1 << 16);
    out.append("<!DOCTYPE html>\n<html lang=\"")
        .append(book.language())
        .append("\">\n<head><meta charset=\"utf-8\">\n<meta http-equiv=\"Content-Security-Policy\"")
        .append(" content=\"default-src 'none'; style-src '")
        .append(hashOfStyle())
        .append("'; ")
        .append(book.blocks().stream().anyMatch(Logbook.Photo.class::isInstance) ? PHOTOS : "")
        .append("base-uri 'none'; form-action 'none'\">\n<title>")
        .append(escape(book.title()))
        .append("</title>\n<style>")
        .append(STYLE)
        .append("</style></head>\n<body>\n");
    book.blocks().forEach(block -> write(out, block));
    return out.append("</body></html>\n").toString();
  }

  private static void write(StringBuilder out, Logbook.Block block) {
    switch (block) {
      case Logbook.Title title -> element(out, "h1", title.text());
      case Logbook.Heading heading -> element(out, "h2", heading.text());
      case Logbook.Text text -> {
        if (text.strong()) {
          out.append("<p><strong>").append(escape(text.text())).append("</strong></p>\n");
        } else {
          element(out, "p", text.text());
        }
      }
      case Logbook.Photo photo -> {
        photo
            .jpeg()
            .ifPresent(jpeg ->
                out.append("<img alt=\"")
                    .append(escape(Logbook.plain(photo.text())))
                    .append("\" src=\"data:image/jpeg;base64,")
                    .append(Base64.getEncoder().encodeToString(jpeg))
                    .append("\">\n"));
        element(out, "p", photo.text());
      }
      case Logbook.Bullets bullets -> {
        out.append("<ul>");
        bullets.items().forEach(item -> element(out, "li", item));
        out.append("</ul>\n");
      }
      case Logbook.Table table -> {
        out.append("<table>");
        for (Logbook.Row row : table.rows()) {
          out.append(row.gone() ? "<tr class=\"back\">" : "<tr>");
          row.cells().forEach(cell -> out.append("<td>").append(escape(cell)).append("</td>"));
          out.append("</tr>\n");
        }
        out.append("</table>\n");
      }
    }
  }

  private static void element(StringBuilder out, String name, String text) {
    out.append('<').append(name).append('>').append(escape(text));
    out.append("</").append(name).append(">\n");
  }

  /** The policy lets in this one style and no other. */
  private static String hashOfStyle() {
    try {
      byte[] hash =
          MessageDigest.getInstance("SHA-256").digest(STYLE.getBytes(StandardCharsets.UTF_8));
      return "sha256-" + Base64.getEncoder().encodeToString(hash);
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every Java runtime has SHA-256", e);
    }
  }

  private static String escape(String text) {
    StringBuilder escaped = new StringBuilder(text.length() + 16);
    for (int i = 0; i < text.length(); i++) {
      char c = text.charAt(i);
      switch (c) {
        case '&' -> escaped.append("&amp;");
        case '<' -> escaped.append("&lt;");
        case '>' -> escaped.append("&gt;");
        case '"' -> escaped.append("&quot;");
        case Logbook.ISOLATE -> escaped.append("<bdi>");
        case Logbook.END_OF_ISOLATE -> escaped.append("</bdi>");
        default -> escaped.append(c);
      }
    }
    return escaped.toString();
  }
}
