/** Why a file is refused, and where it is wrong. */
export type FileError =
  | { readonly code: 'tooBig'; readonly bytes: number; readonly most: number }
  | { readonly code: 'notJson'; readonly detail: string }
  | { readonly code: 'foreign' }
  | { readonly code: 'newer'; readonly version: number; readonly known: number }
  | { readonly code: 'forbiddenKey'; readonly where: string }
  | { readonly code: 'tooDeep'; readonly where: string }
  | { readonly code: 'damaged'; readonly where: string; readonly id: string }
  | { readonly code: 'invalid'; readonly where: string; readonly detail: string }
  | { readonly code: 'danglingId'; readonly where: string; readonly id: string }
  | { readonly code: 'twice'; readonly where: string; readonly id: string }
  /** A record of ours is under another engine or job in the file. */
  | { readonly code: 'belongsElsewhere'; readonly where: string; readonly id: string }
  /** Work that is here goes by a build sheet that the file has with other figures. */
  | { readonly code: 'otherSheet'; readonly where: string; readonly id: string }
  /** A counter, version or number that leaves no room to go on. */
  | { readonly code: 'noRoom'; readonly where: string; readonly id: string }
  | { readonly code: 'badPicture'; readonly where: string; readonly id: string }
