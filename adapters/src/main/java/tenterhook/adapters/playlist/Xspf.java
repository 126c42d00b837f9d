package tenterhook.adapters.playlist;

import java.io.IOException;
import java.io.StringReader;
import java.io.StringWriter;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import javax.xml.stream.XMLStreamWriter;
import tenterhook.adapters.playlist.Playlist.Entry;

/** XSPF version 1, as xspf.org describes it: files are addresses, lengths are milliseconds. */
final class Xspf implements PlaylistFile.Form {
  private static final String SPACE = "http://xspf.org/ns/0/";

  @Override
  public String write(Playlist playlist, PlaylistFile.Paths paths) {
    StringWriter text = new StringWriter();
    try {
      XMLStreamWriter xml = XMLOutputFactory.newFactory().createXMLStreamWriter(text);
      xml.writeStartDocument("UTF-8", "1.0");
      xml.writeCharacters("\n");
      xml.writeStartElement("playlist");
      xml.writeDefaultNamespace(SPACE);
      xml.writeAttribute("version", "1");
      element(xml, "title", playlist.title());
      if (playlist.date().isPresent()) {
        element(xml, "date", playlist.date().get() + "T00:00:00Z");
      }
      tracks(xml, playlist, paths);
      xml.writeEndElement();
      xml.writeEndDocument();
      xml.close();
    } catch (XMLStreamException impossible) {
      throw new IllegalStateException("text can always be written", impossible);
    }
    return text + "\n";
  }

  private static void tracks(XMLStreamWriter xml, Playlist playlist, PlaylistFile.Paths paths)
      throws XMLStreamException {
    xml.writeCharacters("\n");
    xml.writeStartElement("trackList");
    for (Entry entry : playlist.entries()) {
      write(xml, entry, paths);
    }
    xml.writeEndElement();
  }

  private static void write(XMLStreamWriter xml, Entry entry, PlaylistFile.Paths paths)
      throws XMLStreamException {
    xml.writeCharacters("\n");
    xml.writeStartElement("track");
    if (entry.file().isPresent()) {
      element(xml, "location", address(paths.of(entry.file().get())));
    }
    element(xml, "title", entry.title());
    element(xml, "creator", entry.artist());
    element(xml, "album", entry.album());
    if (entry.seconds() >= 0) {
      element(xml, "duration", String.valueOf(entry.seconds() * 1000));
    }
    xml.writeEndElement();
  }

  private static void element(XMLStreamWriter xml, String name, String text)
      throws XMLStreamException {
    if (!text.isEmpty()) {
      xml.writeStartElement(name);
      xml.writeCharacters(
          text.codePoints()
              .filter(Xspf::allowed)
              .mapToObj(Character::toString)
              .collect(Collectors.joining()));
      xml.writeEndElement();
    }
  }

  /** XML has no place for most control characters. */
  private static boolean allowed(int letter) {
    return letter >= ' ' || letter == '\t' || letter == '\n' || letter == '\r';
  }

  /** The address of a path: each part encoded, an absolute one with its scheme. */
  static String address(String path) {
    String encoded =
        Arrays.stream(path.split("/", -1)).map(Xspf::encode).collect(Collectors.joining("/"));
    return path.startsWith("/")
        ? "file://" + encoded
        : path.matches("[A-Za-z]:/.*") ? "file:///" + encoded.replaceFirst("%3A", ":") : encoded;
  }

  private static String encode(String part) {
    return URLEncoder.encode(part, StandardCharsets.UTF_8).replace("+", "%20");
  }

  /** The file of an address, relative ones from a folder; empty when it is no file. */
  static Optional<Path> file(Path folder, String address) {
    String rest = address;
    if (rest.startsWith("file:")) {
      rest = rest.substring("file:".length()).replaceFirst("^//[^/]*", "");
      rest = rest.replaceFirst("^/([A-Za-z]:)", "$1");
    } else if (rest.matches("[A-Za-z][A-Za-z0-9+.-]+:.*")) {
      return Optional.empty();
    }
    try {
      return Optional.of(folder.resolve(decode(rest)).normalize());
    } catch (IllegalArgumentException noPath) { // a bad escape or character
      return Optional.empty();
    }
  }

  private static String decode(String text) {
    return java.net.URLDecoder.decode(text.replace("+", "%2B"), StandardCharsets.UTF_8);
  }

  @Override
  public Playlist read(String text, String title, Path folder) throws IOException {
    XMLInputFactory factory = XMLInputFactory.newFactory();
    factory.setProperty(XMLInputFactory.SUPPORT_DTD, false); // no text from elsewhere
    factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
    factory.setProperty(XMLInputFactory.IS_COALESCING, true);
    try {
      XMLStreamReader xml = factory.createXMLStreamReader(new StringReader(text));
      return playlist(xml, title, folder);
    } catch (XMLStreamException broken) {
      throw new IOException(
          "is no whole XSPF playlist: line " + broken.getLocation().getLineNumber(), broken);
    } catch (InvalidPathException noPath) {
      throw new IOException("holds a path that cannot be: " + noPath.getInput(), noPath);
    }
  }

  private static Playlist playlist(XMLStreamReader xml, String title, Path folder)
      throws XMLStreamException {
    Map<String, String> head = new HashMap<>();
    Map<String, String> track = new HashMap<>();
    List<Entry> entries = new ArrayList<>();
    StringBuilder words = new StringBuilder();
    boolean inTrack = false;
    while (xml.hasNext()) {
      int event = xml.next();
      if (event == XMLStreamConstants.CHARACTERS) {
        words.append(xml.getText());
      } else if (event == XMLStreamConstants.START_ELEMENT) {
        words.setLength(0);
        inTrack |= xml.getLocalName().equals("track");
      } else if (event == XMLStreamConstants.END_ELEMENT) {
        if (xml.getLocalName().equals("track")) {
          entries.add(entry(track, folder));
          track.clear();
          inTrack = false;
        } else {
          (inTrack ? track : head).putIfAbsent(xml.getLocalName(), words.toString().strip());
        }
        words.setLength(0);
      }
    }
    return new Playlist(
        head.getOrDefault("title", title),
        PlaylistFile.dateIn(head.getOrDefault("date", "")),
        entries);
  }

  /** An entry of the names that XSPF gives its parts. */
  static Entry entry(Map<String, String> parts, Path folder) {
    String length = parts.getOrDefault("duration", "");
    return new Entry(
        Optional.ofNullable(parts.get("location"))
            .filter(l -> !l.isEmpty())
            .flatMap(l -> file(folder, l)),
        parts.getOrDefault("creator", ""),
        parts.getOrDefault("title", ""),
        parts.getOrDefault("album", ""),
        length.matches("\\d{1,15}") ? Math.round(Long.parseLong(length) / 1000.0) : -1);
  }
}
