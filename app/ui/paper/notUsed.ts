/** Stands in for what the PDF library would load to print pages and pictures of pages: papers here are drawn line by line. */
export default undefined
