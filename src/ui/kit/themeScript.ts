/** Where a browser keeps its theme. */
export const THEME_KEY = 'good-shelf-theme';

/** Runs before the first paint, so that the dark theme does not flash. */
export const themeScript = `try{if(localStorage.getItem('${THEME_KEY}')==='closet')document.documentElement.dataset.theme='closet'}catch{}`;
