package nullroom.core.plan;

/** What a single figure of a table or picture is, in the words that answer "why?". */
public enum Quantity implements Explained {
  LAEQ(
      "LAeq",
      "Energy mean of the A-weighted level over the whole recording.",
      "IEC 61672-1; ISO 1996-1",
      "what sounds, and what is switched off"),
  LCEQ(
      "LCeq",
      "Energy mean of the C-weighted level: low sounds count nearly whole.",
      "IEC 61672-1; ISO 1996-1",
      "traffic, fans and machines"),
  LZEQ(
      "LZeq",
      "Energy mean of the level without weighting, the constant part taken out.",
      "IEC 61672-1; ISO 1996-1",
      "sounds too low to hear, and the microphone’s handling"),
  LAF_MAX(
      "LAFmax",
      "The highest A-weighted level with the FAST time constant of 125 ms.",
      "IEC 61672-1",
      "single sounds: a step, a door, a car"),
  LA10(
      "LA10",
      "The FAST A-weighted level that is passed a tenth of the time.",
      "ISO 1996-1",
      "sounds that come and go"),
  LA50("LA50", "The FAST A-weighted level that is passed half the time.", "ISO 1996-1", "the hour"),
  LA90(
      "LA90",
      "The FAST A-weighted level that is passed nine tenths of the time: the background.",
      "ISO 1996-1",
      "what runs all the time"),
  C_MINUS_A(
      "C − A",
      "LCeq less LAeq; from 20 dB on most of the noise is low rumble.",
      "IEC 61672-1; the limit by common practice",
      "traffic, fans and machines"),
  SCALE_DOUBT(
      "give or take",
      "How far every level of this recording may be off, by how its scale was set.",
      "ISO/IEC Guide 98-3 (GUM)",
      "a calibrator, or a meter held beside the microphone"),
  ROOM_LEVEL(
      "dBA of the room",
      "The octaves that the microphone gave, less its own and the input’s noise and through its"
          + " response, A-weighted and added.",
      "IEC 61672-1",
      "what sounds, and what is switched off"),
  NC(
      "NC",
      "The lowest noise criterion curve that no octave passes, and the octave that touches it.",
      "ANSI/ASA S12.2, Table 1: tangent method",
      "the octave that decides"),
  NR(
      "NR",
      "The lowest noise rating curve that no octave from 63 Hz to 8 kHz passes.",
      "ISO/R 1996:1971, Appendix Y",
      "the octave that decides"),
  BAND_NOISE(
      "room noise in an octave",
      "Energy mean of the room’s noise in this octave, behind what microphone and input add.",
      "IEC 61260-1",
      "what sounds there"),
  CULPRITS_ALL(
      "everything on",
      "Energy mean over the recordings with a suspect on, octave by octave, A-weighted.",
      "IEC 61672-1",
      "the suspect at the top of the list"),
  TO_QUIET_LINE(
      "to the quiet line",
      "How much louder a noise of this shape may become before Quiet falls under its target; under"
          + " 0 it is too loud by that.",
      "the target of Quiet (common practice)",
      "less noise, or the microphone nearer"),
  CULPRIT(
      "own level",
      "Energy with it on less the energy with it off, A-weighted at the microphone; a bound where"
          + " the two differ by less than 3 dB.",
      "energy subtraction; the bound by common practice",
      "switching it off, or moving away from it"),
  OCTAVE_NOISE(
      "level in an octave",
      "Energy mean in this octave, as the microphone gave it.",
      "IEC 61260-1",
      "what sounds there"),
  THIRD_NOISE(
      "level in a third octave",
      "Energy mean in this third octave, as the microphone gave it.",
      "IEC 61260-1",
      "what sounds there"),
  EDT(
      "EDT",
      "Six times the time of the first 10 dB of the energy decay curve.",
      "ISO 3382-1",
      "what stands near, and the distance"),
  T20(
      "T20",
      "Three times the time from −5 to −25 dB of the energy decay curve, by a line through it.",
      "ISO 3382-2; Schroeder’s backward integration",
      "soft things in the room"),
  T20_CHANCE(
      "give or take of T20",
      "Twice the standard deviation that chance alone gives, by bandwidth, time and number of"
          + " decays.",
      "ISO 3382-2, Annex A",
      "more claps, and more places"),
  T30(
      "T30",
      "Twice the time from −5 to −35 dB of the energy decay curve, by a line through it.",
      "ISO 3382-2; Schroeder’s backward integration",
      "soft things in the room"),
  C50(
      "C50",
      "Energy of the first 50 ms over that of what follows, in decibels.",
      "ISO 3382-1",
      "the distance, and soft things in the room"),
  C80(
      "C80",
      "Energy of the first 80 ms over that of what follows, in decibels.",
      "ISO 3382-1",
      "the distance, and soft things in the room"),
  D50(
      "D50",
      "Share of all energy that comes in the first 50 ms.",
      "ISO 3382-1",
      "the distance, and soft things in the room"),
  CENTRE_TIME(
      "Ts",
      "The centre of gravity of the squared response in time.",
      "ISO 3382-1",
      "the distance, and soft things in the room"),
  OVER_NOISE(
      "over noise",
      "The first level of the decay over the noise it ends in; T20 needs 35 dB, T30 45.",
      "ISO 3382-1, 5.3.3",
      "a louder clap, or a quieter hour"),
  BENT(
      "bent",
      "How much longer T30 is than T20, in per cent; over 10 the decay has two slopes.",
      "ISO 3382-2, Annex B",
      "a second room behind a door, or a noise that was taken for decay"),
  NOT_STRAIGHT(
      "not straight",
      "A thousand times what a straight line leaves unexplained of the decay; over 10 is doubtful.",
      "ISO 3382-2, Annex B",
      "a louder clap, or a quieter hour"),
  T_MID(
      "mid",
      "Mean T20 of the octaves of 500 and 1000 Hz.",
      "ISO 3382-1; ISO 3382-2",
      "soft things in the room"),
  T_VOICE(
      "voice",
      "Mean T20 of the octaves from 250 to 4000 Hz.",
      "ISO 3382-2 for T20; the octaves by common practice",
      "soft things in the room"),
  MEAN_T20(
      "mean T20",
      "T20 averaged over all pairs of source and microphone that were measured.",
      "ISO 3382-2, 8",
      "soft things in the room"),
  SPREAD(
      "spread",
      "Standard deviation of T20 from place to place.",
      "ISO 3382-2, Annex A",
      "more places"),
  PLACES(
      "places",
      "Pairs of source and microphone that have a T20 here.",
      "ISO 3382-2, Table 1",
      "clapping at one more place"),
  PREDICTED_TIME(
      "predicted time",
      "From the volume and what every surface and thing takes up.",
      "H. Kuttruff, Room Acoustics; ISO 9613-1 for air",
      "the material of the largest surface"),
  EXPECTED_TIME(
      "time reckoned with",
      "The predicted time, times what the measured one was over the predicted one then.",
      "H. Kuttruff, Room Acoustics; ISO 3382-2 for the measured one",
      "the pieces that take up most, and where nothing was measured, the tables"),
  ABSORPTION(
      "share taken up",
      "Share of the energy of diffuse sound that is not sent back; 0 hard, 1 an open window.",
      "ISO 354",
      "thickness, and the gap behind"),
  TRACED_TIME(
      "traced time",
      "T20 of the response that rays and mirror images give in the room as described.",
      "H. Kuttruff, Room Acoustics; ISO 3382-2",
      "the material of the largest surface"),
  MODE(
      "mode",
      "A standing wave of the room, where a whole number of half waves fits its sides.",
      "H. Kuttruff, Room Acoustics; P. M. Morse and R. H. Bolt, Rev. Mod. Phys. 16 (1944) 69",
      "the room’s sides, which cannot be changed: move the talker or the microphone"),
  MODE_LEVEL(
      "level of a mode",
      "How strong the standing wave is at this place, against its strongest.",
      "H. Kuttruff, Room Acoustics",
      "moving out of a corner or away from a wall"),
  TUNED(
      "change of absorption",
      "By how much what this surface takes up must change for the description to give the times"
          + " that were measured, staying near the tables.",
      "least squares with the spread of tables as weights (common practice)",
      "more places measured, or another material named"),
  MISSING(
      "missing area",
      "What the measured time asks for beyond what the surfaces may plausibly take up.",
      "W. C. Sabine: A = 0.161 V/T",
      "naming what stands in the room"),
  SAMPLE_PEAK(
      "peak",
      "The largest sample against full scale; a sine that just fits gives 0.",
      "AES17",
      "the gain"),
  TRUE_PEAK(
      "true peak",
      "The largest amplitude between the samples too, by oversampling.",
      "ITU-R BS.1770, Annex 2",
      "the gain"),
  LOUDNESS(
      "loudness",
      "Mean of the K-weighted blocks of 400 ms that pass the two gates.",
      "ITU-R BS.1770; EBU R 128",
      "the gain"),
  LOUDNESS_RANGE(
      "range",
      "From the tenth to the ninety-fifth percentile of the gated short-term loudness.",
      "EBU Tech 3342",
      "how evenly it is spoken"),
  MOMENTARY(
      "momentary",
      "K-weighted loudness of the last 400 ms.",
      "ITU-R BS.1771; EBU Tech 3341",
      "how loud you speak just now"),
  FAST_LEVEL(
      "FAST, A",
      "A-weighted level with the time constant of 125 ms.",
      "IEC 61672-1",
      "how loud you speak just now"),
  ACTIVE_SPEECH(
      "speech",
      "Level of the speech while it is spoken, pauses left out.",
      "ITU-T P.56, method B",
      "the gain, and how loud you speak"),
  SPOKEN(
      "spoken",
      "Share of the time in which there is speech.",
      "ITU-T P.56, method B",
      "how long the pauses are"),
  FLOOR(
      "noise floor",
      "Level in the pauses, unweighted.",
      "frames of a tenth of a second near their quiet tenth (common practice)",
      "the room’s noise, and the distance"),
  FLOOR_A(
      "noise floor, A-weighted",
      "Level in the pauses, A-weighted.",
      "frames of a tenth of a second near their quiet tenth (common practice); IEC 61672-1",
      "the room’s noise, and the distance"),
  SPEECH_TO_NOISE(
      "speech to noise",
      "Speech level less the noise floor.",
      "ITU-T P.56, and common practice for the floor",
      "the distance, and the room’s noise"),
  PLANNED_VOICE(
      "voice, A-weighted",
      "The voice of the ladder against full scale, with the gain that is planned.",
      "ANSI S3.5, ISO 9921; AES17",
      "how loud you speak, and the distance"),
  PLANNED_SPEECH(
      "voice, unweighted",
      "Active speech level against full scale, as a meter of it shows, with the gain planned.",
      "ITU-T P.56; AES17",
      "how loud you speak, and the distance"),
  PLANNED_PEAK(
      "loudest line",
      "The loudest expected sample peak, with the gain planned.",
      "common practice; AES17",
      "how loud you speak, and the distance"),
  PLANNED_SHOUT(
      "a laugh or shout",
      "The loudest expected peak and the allowance for shouts.",
      "common practice",
      "the allowance for shouts"),
  PLANNED_HEADROOM(
      "left over a shout",
      "From a shout up to full scale.",
      "AES17",
      "the gain, and the allowance for shouts"),
  PLANNED_NOISE(
      "noise, A-weighted",
      "All noise, of the room, the microphone, the input and rounding, with the gain planned.",
      "IEC 61672-1",
      "the loudest of the noises"),
  PLANNED_WORD(
      "noise with words",
      "All noise and what rounding with triangular dither adds, A-weighted.",
      "S. P. Lipshitz et al., J. Audio Eng. Soc. 40 (1992) 355",
      "longer words, or more gain"),
  LINK_HISS(
      "hiss",
      "Equivalent input noise of this link less the microphone’s sensitivity and the gain before it,"
          + " as sound at the microphone, A-weighted.",
      "AES17; H. T. Friis, Proc. IRE 32 (1944) 419",
      "more gain before it"),
  LINK_LIMIT(
      "overloads",
      "Level of a sine at the microphone that brings this link to its limit: the limit less the gain"
          + " before it.",
      "data sheets; AES17",
      "less gain before it"),
  LINK_LEFT(
      "left over the loudest peak",
      "From the loudest expected peak up to where this link overloads.",
      "AES17; common practice",
      "less gain before it, or the distance"),
  PLAN_OFF(
      "off the goal",
      "What is missing of Clear, and the mean over 250 Hz to 4 kHz of how many decibels the times are"
          + " too long or too short.",
      "the goal’s targets and times (common practice)",
      "the octave that is longest, and Clear"),
  PLAN_CLEAR(
      "Clear with the plan",
      "Useful over late sound by statistics and first reflections, with every piece of the plan up.",
      "H. Kuttruff, Room Acoustics; ISO 3382-1",
      "the pieces that add most"),
  PLAN_TRACED(
      "Clear with the plan, traced",
      "The same from a traced response of the room with every piece up.",
      "H. Kuttruff, Room Acoustics; ISO 3382-1",
      "the pieces that add most"),
  PLAN_PRICE(
      "money",
      "The prices of what is not owned, added.",
      "what you said is at hand",
      "the dearest piece"),
  PLAN_MINUTES(
      "minutes",
      "What each piece takes to put up, added.",
      "what you said is at hand",
      "the piece that takes longest"),
  STEP_ADDS(
      "adds to Clear",
      "Clear with all steps up to this one less Clear with those before it.",
      "H. Kuttruff, Room Acoustics",
      "what hangs already: each later piece buys less"),
  STEP_ALONE(
      "alone adds to Clear",
      "Clear with this one alone less Clear of the room as it is.",
      "H. Kuttruff, Room Acoustics",
      "its area, its material, and the reflection that it covers"),
  FORETOLD_TIME(
      "time foretold",
      "The time measured before, times what the description says now over what it said then.",
      "ISO 3382-2 for the measured one; H. Kuttruff, Room Acoustics",
      "what came and went in the description"),
  MEASURED_CHANGE(
      "time measured",
      "Mean T20 over the places measured.",
      "ISO 3382-2",
      "what came and went, and chance"),
  CHANGE_DOUBT(
      "give or take of the difference",
      "Twice the standard deviation of both times together.",
      "ISO 3382-2, Annex A",
      "more claps, at more places"),
  RECORDING_TIME(
      "time until full",
      "Bytes that fit over bytes a second: samples a second times channels times bytes of each.",
      "common practice",
      "the word length, the sampling rate, the bit rate of a film");

  private final Kind kind;

  Quantity(String label, String formula, String source, String mostly) {
    kind = new Kind(label, formula, source, mostly);
  }

  @Override
  public Kind kind() {
    return kind;
  }
}
