/** Stands in the page itself, before any script is fetched: keeps what is pressed until the page can answer. */
export const KEEP_PRESSES =
  "window.earlyPresses=[];window.keepPress=function(press){window.earlyPresses.push(press)};addEventListener('click',window.keepPress,true)";
