/** By what a dragged piece is known from anything else that may be dragged over an output. */
export const pieceType = 'application/x-home-stage-piece'
