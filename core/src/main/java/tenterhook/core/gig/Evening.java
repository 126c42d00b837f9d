package tenterhook.core.gig;

import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * When and where a gig is, and for whom.
 *
 * @param date of its beginning
 * @param from when it begins
 * @param until when it ends; not later than {@code from}, it ends the day after
 * @param place where; may be empty
 * @param people whose names must be said right
 * @param notes the DJ's own
 */
public record Evening(
    LocalDate date,
    LocalTime from,
    LocalTime until,
    String place,
    List<Person> people,
    String notes) {
  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("EEEE d MMMM uuuu", Locale.ENGLISH);

  /** Copies; each person once. */
  public Evening {
    people = List.copyOf(people);
    GigNames.checkEachOnce(people.stream().map(Person::name).toList(), "person");
  }

  /** A night without a place and people yet. */
  public static Evening on(LocalDate date, LocalTime from, LocalTime until) {
    return new Evening(date, from, until, "", List.of(), "");
  }

  /** How long it lasts, in minutes; a whole day when it ends as it begins. */
  public int minutes() {
    int minutes = (int) Duration.between(from, until).toMinutes();
    return minutes > 0 ? minutes : minutes + (int) Duration.ofDays(1).toMinutes();
  }

  /** The day as it is written out, such as {@code Saturday 19 December 2026}. */
  public String day() {
    return date.format(DAY);
  }

  /** The same on another date. */
  public Evening on(LocalDate other) {
    return new Evening(other, from, until, place, people, notes);
  }

  /** The same at other times. */
  public Evening at(LocalTime begins, LocalTime ends) {
    return new Evening(date, begins, ends, place, people, notes);
  }

  /** The same elsewhere. */
  public Evening at(String elsewhere) {
    return new Evening(date, from, until, elsewhere, people, notes);
  }

  /** The same with other notes. */
  public Evening noted(String others) {
    return new Evening(date, from, until, place, people, others);
  }

  /** The same with one more person, or in place of the one of that name. */
  public Evening with(Person person) {
    List<Person> others = new ArrayList<>(people);
    int at = places(others).indexOf(person.name().toLowerCase(Locale.ROOT));
    if (at < 0) {
      others.add(person);
    } else {
      others.set(at, person);
    }
    return new Evening(date, from, until, place, others, notes);
  }

  /** The same without a person; an unknown name changes nothing. */
  public Evening without(String name) {
    return new Evening(
        date,
        from,
        until,
        place,
        people.stream().filter(p -> !p.name().equalsIgnoreCase(name.strip())).toList(),
        notes);
  }

  private static List<String> places(List<Person> people) {
    return people.stream().map(p -> p.name().toLowerCase(Locale.ROOT)).toList();
  }
}
