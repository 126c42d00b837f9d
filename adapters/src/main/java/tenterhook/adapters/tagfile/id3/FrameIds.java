package tenterhook.adapters.tagfile.id3;

import java.util.HashMap;
import java.util.Map;

/**
 * What frames are called in each version: a frame of ID3v2.4 has three letters in v2.2, and some of
 * v2.4 stand in a text frame with a description in older ones.
 */
final class FrameIds {
  /** What stands in front of the description of a text frame that has one. */
  static final String DESCRIBED = "TXXX:";

  private static final Map<String, String> SHORT = new HashMap<>();
  private static final Map<String, String> ONLY_IN_4 = Map.of("TMOO", DESCRIBED + "MOOD");

  static {
    String pairs =
        "TPE1 TP1,TPE2 TP2,TPE3 TP3,TPE4 TP4,TIT1 TT1,TIT2 TT2,TIT3 TT3,TALB TAL,TCOM TCM,"
            + "TPUB TPB,TYER TYE,TDAT TDA,TIME TIM,TRCK TRK,TPOS TPA,TBPM TBP,TKEY TKE,TCON TCO,"
            + "TLAN TLA,TCMP TCP,COMM COM,USLT ULT,APIC PIC,POPM POP,PCNT CNT,TXXX TXX";
    for (String pair : pairs.split(",")) {
      SHORT.put(pair.substring(0, 4), pair.substring(5));
    }
  }

  private FrameIds() {}

  /** The identifier of a frame of ID3v2.4 in a version. */
  static String in(String id, int version) {
    return version == 2 ? SHORT.getOrDefault(id, id) : id;
  }

  /** Where a version has a frame that only version 4 knows; else the name itself. */
  static String place(String name, int version) {
    return version == 4 ? name : ONLY_IN_4.getOrDefault(name, name);
  }

  /** The other name under which the same value may stand; the name itself when there is none. */
  static String other(String name) {
    return ONLY_IN_4.getOrDefault(name, name);
  }
}
