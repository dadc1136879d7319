// The page that an answer is.
export const parsed = async answer => new DOMParser().parseFromString(await answer.text(), 'text/html');
