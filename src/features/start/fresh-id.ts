/** An id that no project of this browser has. */
export const freshProjectId = () => `p${Date.now().toString(36)}${Math.floor(Math.random() * 1e6).toString(36)}`;
