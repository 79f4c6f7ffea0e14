declare module 'pdfmake/build/pdfmake.min.js';
