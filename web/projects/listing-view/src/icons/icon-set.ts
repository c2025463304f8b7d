/* Material Symbols, one file an icon, so that only those that are used are shipped. */
import remove from '@material-symbols/svg-400/outlined/remove.svg' with { loader: 'text' };
import dataset from '@material-symbols/svg-400/outlined/dataset.svg' with { loader: 'text' };
import localGasStation from '@material-symbols/svg-400/outlined/local_gas_station.svg' with { loader: 'text' };
import cellTower from '@material-symbols/svg-400/outlined/cell_tower.svg' with { loader: 'text' };
import menuBook from '@material-symbols/svg-400/outlined/menu_book.svg' with { loader: 'text' };
import arrowBack from '@material-symbols/svg-400/outlined/arrow_back.svg' with { loader: 'text' };
import arrowForward from '@material-symbols/svg-400/outlined/arrow_forward.svg' with { loader: 'text' };
import arrowUpward from '@material-symbols/svg-400/outlined/arrow_upward.svg' with { loader: 'text' };
import arrowDownward from '@material-symbols/svg-400/outlined/arrow_downward.svg' with { loader: 'text' };
import call from '@material-symbols/svg-400/outlined/call.svg' with { loader: 'text' };
import check from '@material-symbols/svg-400/outlined/check.svg' with { loader: 'text' };
import checkCircle from '@material-symbols/svg-400/outlined/check_circle.svg' with { loader: 'text' };
import checklist from '@material-symbols/svg-400/outlined/checklist.svg' with { loader: 'text' };
import chevronLeft from '@material-symbols/svg-400/outlined/chevron_left.svg' with { loader: 'text' };
import chevronRight from '@material-symbols/svg-400/outlined/chevron_right.svg' with { loader: 'text' };
import close from '@material-symbols/svg-400/outlined/close.svg' with { loader: 'text' };
import decimalIncrease from '@material-symbols/svg-400/outlined/decimal_increase.svg' with { loader: 'text' };
import deleteIcon from '@material-symbols/svg-400/outlined/delete.svg' with { loader: 'text' };
import deleteForever from '@material-symbols/svg-400/outlined/delete_forever.svg' with { loader: 'text' };
import description from '@material-symbols/svg-400/outlined/description.svg' with { loader: 'text' };
import edit from '@material-symbols/svg-400/outlined/edit.svg' with { loader: 'text' };
import event from '@material-symbols/svg-400/outlined/event.svg' with { loader: 'text' };
import image from '@material-symbols/svg-400/outlined/image.svg' with { loader: 'text' };
import key from '@material-symbols/svg-400/outlined/key.svg' with { loader: 'text' };
import expandLess from '@material-symbols/svg-400/outlined/keyboard_arrow_up.svg' with { loader: 'text' };
import expandMore from '@material-symbols/svg-400/outlined/keyboard_arrow_down.svg' with { loader: 'text' };
import myLocation from '@material-symbols/svg-400/outlined/my_location.svg' with { loader: 'text' };
import label from '@material-symbols/svg-400/outlined/label.svg' with { loader: 'text' };
import link from '@material-symbols/svg-400/outlined/link.svg' with { loader: 'text' };
import locationOn from '@material-symbols/svg-400/outlined/location_on.svg' with { loader: 'text' };
import mail from '@material-symbols/svg-400/outlined/mail.svg' with { loader: 'text' };
import notes from '@material-symbols/svg-400/outlined/notes.svg' with { loader: 'text' };
import openInNew from '@material-symbols/svg-400/outlined/open_in_new.svg' with { loader: 'text' };
import payments from '@material-symbols/svg-400/outlined/payments.svg' with { loader: 'text' };
import radioButtonChecked from '@material-symbols/svg-400/outlined/radio_button_checked.svg' with { loader: 'text' };
import restoreFromTrash from '@material-symbols/svg-400/outlined/restore_from_trash.svg' with { loader: 'text' };
import search from '@material-symbols/svg-400/outlined/search.svg' with { loader: 'text' };
import shortText from '@material-symbols/svg-400/outlined/short_text.svg' with { loader: 'text' };
import sort from '@material-symbols/svg-400/outlined/sort.svg' with { loader: 'text' };
import star from '@material-symbols/svg-400/outlined/star.svg' with { loader: 'text' };
import straighten from '@material-symbols/svg-400/outlined/straighten.svg' with { loader: 'text' };
import tag from '@material-symbols/svg-400/outlined/tag.svg' with { loader: 'text' };
import toggleOn from '@material-symbols/svg-400/outlined/toggle_on.svg' with { loader: 'text' };
import tune from '@material-symbols/svg-400/outlined/tune.svg' with { loader: 'text' };
import uploadFile from '@material-symbols/svg-400/outlined/upload_file.svg' with { loader: 'text' };
import visibility from '@material-symbols/svg-400/outlined/visibility.svg' with { loader: 'text' };
import arrowRange from '@material-symbols/svg-400/outlined/arrow_range.svg' with { loader: 'text' };
import formatParagraph from '@material-symbols/svg-400/outlined/format_paragraph.svg' with { loader: 'text' };
import schedule from '@material-symbols/svg-400/outlined/schedule.svg' with { loader: 'text' };
import calendarClock from '@material-symbols/svg-400/outlined/calendar_clock.svg' with { loader: 'text' };
import palette from '@material-symbols/svg-400/outlined/palette.svg' with { loader: 'text' };
import starHalf from '@material-symbols/svg-400/outlined/star_half.svg' with { loader: 'text' };
import numbers from '@material-symbols/svg-400/outlined/numbers.svg' with { loader: 'text' };
import photoLibrary from '@material-symbols/svg-400/outlined/photo_library.svg' with { loader: 'text' };
import attachFile from '@material-symbols/svg-400/outlined/attach_file.svg' with { loader: 'text' };
import adGroup from '@material-symbols/svg-400/outlined/ad_group.svg' with { loader: 'text' };
import tableRows from '@material-symbols/svg-400/outlined/table_rows.svg' with { loader: 'text' };
import functionIcon from '@material-symbols/svg-400/outlined/function.svg' with { loader: 'text' };
import download from '@material-symbols/svg-400/outlined/download.svg' with { loader: 'text' };
import add from '@material-symbols/svg-400/outlined/add.svg' with { loader: 'text' };
import contentCopy from '@material-symbols/svg-400/outlined/content_copy.svg' with { loader: 'text' };
import dragIndicator from '@material-symbols/svg-400/outlined/drag_indicator.svg' with { loader: 'text' };
import folder from '@material-symbols/svg-400/outlined/folder.svg' with { loader: 'text' };
import undo from '@material-symbols/svg-400/outlined/undo.svg' with { loader: 'text' };
import redo from '@material-symbols/svg-400/outlined/redo.svg' with { loader: 'text' };
import history from '@material-symbols/svg-400/outlined/history.svg' with { loader: 'text' };
import warning from '@material-symbols/svg-400/outlined/warning.svg' with { loader: 'text' };
import accountTree from '@material-symbols/svg-400/outlined/account_tree.svg' with { loader: 'text' };
import category from '@material-symbols/svg-400/outlined/category.svg' with { loader: 'text' };
import anchor from '@material-symbols/svg-400/outlined/anchor.svg' with { loader: 'text' };
import sailing from '@material-symbols/svg-400/outlined/sailing.svg' with { loader: 'text' };
import directionsBoat from '@material-symbols/svg-400/outlined/directions_boat.svg' with { loader: 'text' };
import handyman from '@material-symbols/svg-400/outlined/handyman.svg' with { loader: 'text' };
import school from '@material-symbols/svg-400/outlined/school.svg' with { loader: 'text' };
import person from '@material-symbols/svg-400/outlined/person.svg' with { loader: 'text' };
import apartment from '@material-symbols/svg-400/outlined/apartment.svg' with { loader: 'text' };
import directionsCar from '@material-symbols/svg-400/outlined/directions_car.svg' with { loader: 'text' };
import storefront from '@material-symbols/svg-400/outlined/storefront.svg' with { loader: 'text' };
import medicalServices from '@material-symbols/svg-400/outlined/medical_services.svg' with { loader: 'text' };
import eventNote from '@material-symbols/svg-400/outlined/event_note.svg' with { loader: 'text' };
import restaurant from '@material-symbols/svg-400/outlined/restaurant.svg' with { loader: 'text' };
import park from '@material-symbols/svg-400/outlined/park.svg' with { loader: 'text' };
import museum from '@material-symbols/svg-400/outlined/museum.svg' with { loader: 'text' };
import work from '@material-symbols/svg-400/outlined/work.svg' with { loader: 'text' };
import pets from '@material-symbols/svg-400/outlined/pets.svg' with { loader: 'text' };
import bed from '@material-symbols/svg-400/outlined/bed.svg' with { loader: 'text' };
import inventory2 from '@material-symbols/svg-400/outlined/inventory_2.svg' with { loader: 'text' };
import moreVert from '@material-symbols/svg-400/outlined/more_vert.svg' with { loader: 'text' };
import help from '@material-symbols/svg-400/outlined/help.svg' with { loader: 'text' };
import settings from '@material-symbols/svg-400/outlined/settings.svg' with { loader: 'text' };
import block from '@material-symbols/svg-400/outlined/block.svg' with { loader: 'text' };
import swapVert from '@material-symbols/svg-400/outlined/swap_vert.svg' with { loader: 'text' };
import filterList from '@material-symbols/svg-400/outlined/filter_list.svg' with { loader: 'text' };
import viewColumn from '@material-symbols/svg-400/outlined/view_column.svg' with { loader: 'text' };
import save from '@material-symbols/svg-400/outlined/save.svg' with { loader: 'text' };
import keyboard from '@material-symbols/svg-400/outlined/keyboard.svg' with { loader: 'text' };
import hub from '@material-symbols/svg-400/outlined/hub.svg' with { loader: 'text' };
import dataObject from '@material-symbols/svg-400/outlined/data_object.svg' with { loader: 'text' };
import formatBold from '@material-symbols/svg-400/outlined/format_bold.svg' with { loader: 'text' };
import formatItalic from '@material-symbols/svg-400/outlined/format_italic.svg' with { loader: 'text' };
import formatListBulleted from '@material-symbols/svg-400/outlined/format_list_bulleted.svg' with { loader: 'text' };
import formatListNumbered from '@material-symbols/svg-400/outlined/format_list_numbered.svg' with { loader: 'text' };
import formatQuote from '@material-symbols/svg-400/outlined/format_quote.svg' with { loader: 'text' };
import title from '@material-symbols/svg-400/outlined/title.svg' with { loader: 'text' };
import keyboardArrowDown from '@material-symbols/svg-400/outlined/keyboard_arrow_down.svg' with { loader: 'text' };
import keyboardArrowRight from '@material-symbols/svg-400/outlined/keyboard_arrow_right.svg' with { loader: 'text' };
import keep from '@material-symbols/svg-400/outlined/keep.svg' with { loader: 'text' };
import starFill from '@material-symbols/svg-400/outlined/star-fill.svg' with { loader: 'text' };

/** Paths of the icons, by the names that Material Symbols gives them. */
export const ICON_SET = {
  remove,
  dataset,
  local_gas_station: localGasStation,
  cell_tower: cellTower,
  menu_book: menuBook,
  arrow_back: arrowBack,
  arrow_forward: arrowForward,
  arrow_upward: arrowUpward,
  expand_less: expandLess,
  expand_more: expandMore,
  my_location: myLocation,
  arrow_downward: arrowDownward,
  call,
  check,
  check_circle: checkCircle,
  checklist,
  chevron_left: chevronLeft,
  chevron_right: chevronRight,
  close,
  decimal_increase: decimalIncrease,
  delete: deleteIcon,
  delete_forever: deleteForever,
  description,
  edit,
  event,
  image,
  key,
  label,
  link,
  location_on: locationOn,
  mail,
  notes,
  open_in_new: openInNew,
  payments,
  radio_button_checked: radioButtonChecked,
  restore_from_trash: restoreFromTrash,
  search,
  short_text: shortText,
  sort,
  star,
  straighten,
  tag,
  toggle_on: toggleOn,
  tune,
  upload_file: uploadFile,
  visibility,
  arrow_range: arrowRange,
  format_paragraph: formatParagraph,
  schedule,
  calendar_clock: calendarClock,
  palette,
  star_half: starHalf,
  numbers,
  photo_library: photoLibrary,
  attach_file: attachFile,
  ad_group: adGroup,
  table_rows: tableRows,
  function: functionIcon,
  download,
  add,
  content_copy: contentCopy,
  drag_indicator: dragIndicator,
  folder,
  undo,
  redo,
  history,
  warning,
  account_tree: accountTree,
  category,
  anchor,
  sailing,
  directions_boat: directionsBoat,
  handyman,
  school,
  person,
  apartment,
  directions_car: directionsCar,
  storefront,
  medical_services: medicalServices,
  event_note: eventNote,
  restaurant,
  park,
  museum,
  work,
  pets,
  bed,
  inventory_2: inventory2,
  more_vert: moreVert,
  help,
  settings,
  block,
  swap_vert: swapVert,
  filter_list: filterList,
  view_column: viewColumn,
  save,
  keyboard,
  hub,
  data_object: dataObject,
  format_bold: formatBold,
  format_italic: formatItalic,
  format_list_bulleted: formatListBulleted,
  format_list_numbered: formatListNumbered,
  format_quote: formatQuote,
  title,
  keyboard_arrow_down: keyboardArrowDown,
  keyboard_arrow_right: keyboardArrowRight,
  keep,
  star_fill: starFill,
} as const;

export type IconName = keyof typeof ICON_SET;

/** All names of the icon set, in the order of the alphabet. */
export const ICON_NAMES: readonly IconName[] = (Object.keys(ICON_SET) as IconName[]).sort();
