/** What is told of building while it does not come to its end. */
export const buildingTexts = {
  long: 'This takes long to build. What you see is from before.',
  cancel: 'Stop building',
  build: 'Build it now',
  again: 'Build it again',
  held:
    'Last time this page ended while it built this project, so nothing is built yet. Change what was too much, ' +
    'or build it as it is.',
  crashes: {
    stopped: 'Stopped. What you see is from before.',
    stuck: 'Building got stuck and was ended. What you see is from before; undo the last change or make it smaller.',
    broken: 'Building broke off by a fault of ours. What you see is from before; undo the last change to go on.',
    missing: 'A part of the application could not be loaded. Is the server running? What you see is from before.',
  },
} as const;

/** Whether all is saved, and what can be done where it is not. */
export const savingTexts = {
  states: {
    saved: 'saved',
    saving: 'saving …',
    unsaved: 'not saved yet',
    offline: 'no connection: kept in this browser, sent when it is back',
    full: 'the server’s disk is full: kept in this browser, sent when there is room',
    damaged: 'the server can’t use its database: kept in this browser, sent when it can',
    refused: 'not saved: the server refused this document',
    large: 'not saved: the project is larger than 16 MB',
    binned: 'not saved: this project is in the bin',
    gone: 'not saved: this project is no longer on the server',
    conflict: 'Someone saved a newer version of this project.',
  },
  noRoom: 'not saved, and this browser has no room left: keep this page open',
  takeTheirs: 'Show the newer',
  mineBefore: 'Mine, before the newer was shown',
  takeFailed: 'Yours could not be kept first, so the newer is not shown. Nothing was changed. Try again.',
  keepMine: 'Keep mine as a new project',
  keepFailed: 'It could not be made a project. What you did stays here. Try again when the server is back.',
  putBack: 'Put it back on the rack',
  putBackFailed: 'It could not be put back. What you did stays here. Try again.',
  makeAgain: 'Make it a project again',
  makeAgainFailed: 'It could not be made a project. What you did stays here. Try again.',
  leaveTitle: 'Not everything is kept',
  leaveText:
    'The last changes are neither on the server nor in this browser, which has no room left. If you leave, they ' +
    'are gone.',
  leave: 'Leave without them',
  stay: 'Stay',
  copyOf: (name: string): string => `${name} (copy)`,
} as const;
