package tenterhook.adapters.store;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.IntFunction;
import tenterhook.core.gig.Evening;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.GigPart;
import tenterhook.core.gig.Gigs;
import tenterhook.core.gig.MustPlay;
import tenterhook.core.gig.Person;
import tenterhook.core.gig.Wish;

/** A gig as a JSON file, to be read and edited by hand; see docs/files.md. */
public final class GigJson {
  private static final String FORM = "gig";
  private static final String NOTES = "notes";
  private static final String TRACK = "track";
  private static final String HEARD = "heard";
  private static final String PARTS = "parts";

  private GigJson() {}

  /**
   * A gig as JSON text.
   *
   * @param trackName how a track is named, such as {@code Music/Rink/Doors/a.mp3}
   */
  public static String write(Gig gig, IntFunction<String> trackName) {
    ObjectNode root = CodebookJson.form(FORM).put("title", gig.title());
    write(gig.evening(), root);
    root.put("reserve", gig.reserve());
    CrateJson.write(gig.never(), root, trackName);
    ArrayNode parts = root.putArray(PARTS);
    gig.parts().forEach(p -> write(p, parts.addObject(), trackName));
    ArrayNode must = root.putArray("mustPlay");
    for (MustPlay one : gig.mustPlays()) {
      ObjectNode into = must.addObject().put(TRACK, trackName.apply(one.track()));
      putIfSaid(into, "part", one.part());
      putIfSaid(into, NOTES, one.note());
      one.heard().ifPresent(at -> into.put(HEARD, at.toString()));
    }
    ArrayNode wishes = root.putArray("wishes");
    for (Wish wish : gig.wishes()) {
      ObjectNode into = wishes.addObject().put("line", wish.line());
      putIfSaid(into, "by", wish.by());
      if (wish.track() != 0) {
        into.put(TRACK, trackName.apply(wish.track()));
      }
      if (wish.refused()) {
        into.put("refused", true);
      }
    }
    return CodebookJson.text(root);
  }

  private static void write(Evening evening, ObjectNode root) {
    root.put("date", evening.date().toString());
    root.put("from", evening.from().toString());
    root.put("until", evening.until().toString());
    putIfSaid(root, "place", evening.place());
    putIfSaid(root, NOTES, evening.notes());
    ArrayNode people = root.putArray("people");
    for (Person person : evening.people()) {
      ObjectNode into = people.addObject().put("name", person.name());
      putIfSaid(into, "said", person.said());
      putIfSaid(into, "role", person.role());
    }
  }

  private static void write(GigPart part, ObjectNode into, IntFunction<String> trackName) {
    into.put("name", part.name());
    if (part.minutes() > 0) {
      into.put("minutes", part.minutes());
    }
    putIfSaid(into, NOTES, part.notes());
    part.tracks().forEach(id -> into.withArray("tracks").add(trackName.apply(id)));
    part.rule().ifPresent(r -> CrateJson.write(r, into.putObject("keep")));
    if (!part.order().isEmpty()) {
      CrateJson.write(part.order(), into);
    }
    part.parts().forEach(p -> write(p, into.withArray(PARTS).addObject(), trackName));
  }

  private static void putIfSaid(ObjectNode into, String key, String value) {
    if (!value.isEmpty()) {
      into.put(key, value);
    }
  }

  /**
   * Reads a gig.
   *
   * @param text JSON
   * @param track the id of a track by its name
   * @throws IllegalArgumentException when it is not a gig, or names a track that is not known; the
   *     message says where
   */
  public static Gig read(String text, Function<String, Optional<Integer>> track) {
    JsonNode root = CodebookJson.parse(text, FORM);
    List<GigPart> parts = new ArrayList<>();
    root.path(PARTS).forEach(p -> parts.add(part(p, track)));
    List<MustPlay> must = new ArrayList<>();
    root.path("mustPlay")
        .forEach(
            m ->
                must.add(
                    new MustPlay(
                        CrateJson.id(m.path(TRACK).asText(), track),
                        m.path("part").asText(),
                        m.path(NOTES).asText(),
                        heard(m.path(HEARD).asText()))));
    List<Wish> wishes = new ArrayList<>();
    root.path("wishes").forEach(w -> wishes.add(wish(w, track)));
    return new Gig(
        root.path("title").asText(),
        evening(root),
        parts,
        must,
        wishes,
        CrateJson.never(root.path("never"), track),
        root.path("reserve").asDouble(Gig.USUAL_RESERVE));
  }

  private static Optional<LocalTime> heard(String said) {
    try {
      return said.isEmpty() ? Optional.empty() : Optional.of(LocalTime.parse(said));
    } catch (DateTimeException wrong) {
      throw new IllegalArgumentException(
          "\"heard\" is a time such as 21:40: " + wrong.getMessage(), wrong);
    }
  }

  private static Evening evening(JsonNode root) {
    List<Person> people = new ArrayList<>();
    root.path("people")
        .forEach(
            p ->
                people.add(
                    new Person(
                        p.path("name").asText(),
                        p.path("said").asText(),
                        p.path("role").asText())));
    try {
      return new Evening(
          LocalDate.parse(root.path("date").asText()),
          LocalTime.parse(root.path("from").asText()),
          LocalTime.parse(root.path("until").asText()),
          root.path("place").asText(),
          people,
          root.path(NOTES).asText());
    } catch (DateTimeException wrong) {
      throw new IllegalArgumentException(
          "a date is such as 2026-12-19, a time such as 18:30: " + wrong.getMessage(), wrong);
    }
  }

  private static GigPart part(JsonNode said, Function<String, Optional<Integer>> track) {
    List<GigPart> parts = new ArrayList<>();
    said.path(PARTS).forEach(p -> parts.add(part(p, track)));
    return new GigPart(
        said.path("name").asText(),
        said.path("minutes").asInt(),
        said.path(NOTES).asText(),
        CrateJson.ids(said.path("tracks"), track),
        said.has("keep") ? Optional.of(CrateJson.group(said.path("keep"))) : Optional.empty(),
        CrateJson.keys(said.path("order")),
        parts);
  }

  private static Wish wish(JsonNode said, Function<String, Optional<Integer>> track) {
    return new Wish(
        said.path("line").asText(),
        said.path("by").asText(),
        said.has(TRACK) ? CrateJson.id(said.path(TRACK).asText(), track) : 0,
        said.path("refused").asBoolean());
  }

  /** All gigs with tracks by id, for the ledger and the database. */
  public static String byId(Gigs gigs) {
    ArrayNode all = CodebookJson.JSON.createArrayNode();
    gigs.all().forEach(g -> all.add(write(g, String::valueOf)));
    return CodebookJson.text(all);
  }

  /** Reads what {@link #byId} wrote. */
  public static Gigs fromIds(String text) {
    try {
      List<Gig> gigs = new ArrayList<>();
      for (JsonNode one : CodebookJson.JSON.readTree(text)) {
        gigs.add(read(one.asText(), id -> Optional.of(Integer.parseInt(id))));
      }
      return new Gigs(gigs);
    } catch (JsonProcessingException broken) {
      throw new IllegalArgumentException("the stored gigs are damaged", broken);
    }
  }
}
