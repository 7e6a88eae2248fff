/** The header in which every answer of the API says the server's time, Unix ms. */
export const SERVER_TIME_HEADER = 'x-wrenchman-now';
