PERFORMER "Nobody"
FILE "market bell.wav" WAVE
  TRACK 01 AUDIO
    INDEX 01 00:00:00
FILE tea pot.flac WAVE
file "..\last.wav" wave
CDTEXTFILE "bells.cdt"
REM FILE "not.wav" WAVE
