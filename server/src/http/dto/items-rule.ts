/** The name of rules that check all items of a list at once; their constraint is the class that describes an item. */
export const ITEMS_RULE = 'areItems';
