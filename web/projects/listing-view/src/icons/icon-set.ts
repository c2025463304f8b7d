/* Material Symbols, one file an icon, so that only those that are used are shipped. */
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
import description from '@material-symbols/svg-400/outlined/description.svg' with { loader: 'text' };
import edit from '@material-symbols/svg-400/outlined/edit.svg' with { loader: 'text' };
import event from '@material-symbols/svg-400/outlined/event.svg' with { loader: 'text' };
import image from '@material-symbols/svg-400/outlined/image.svg' with { loader: 'text' };
import key from '@material-symbols/svg-400/outlined/key.svg' with { loader: 'text' };
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
import starFill from '@material-symbols/svg-400/outlined/star-fill.svg' with { loader: 'text' };

/** Paths of the icons, by the names that Material Symbols gives them. */
export const ICON_SET = {
  arrow_back: arrowBack,
  arrow_forward: arrowForward,
  arrow_upward: arrowUpward,
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
  star_fill: starFill,
} as const;

export type IconName = keyof typeof ICON_SET;
