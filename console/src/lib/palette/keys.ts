/** What keys do, from one list for the help and for who looks for it by words. */
export const KEYS: readonly [string, string][] = [
  ['Ctrl K', 'go anywhere and do anything, by typing'],
  ['/', 'choose cameras, from any page'],
  ['?', 'this list'],
  ['Esc', 'close a dialog, give up a drawing'],
  ['Ctrl Z, Ctrl Shift Z', 'take a step back, and again, in the week and on the picture'],
  ['Ctrl S', 'save the template'],
  ['arrows', 'move the window of a week, an area or a corner; Shift longer or further, Alt single minutes'],
  ['Enter, Delete', 'paint or erase the window of a week; close a polygon, remove a corner or an area'],
  ['Shift arrows', 'on the head of a list: how wide its column is'],
  ['+', 'a further corner behind the one that is held'],
  ['m, p', 'in the tree of groups: lift a group, put it or the ticked cameras under another'],
];
