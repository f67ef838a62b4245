import { computed, ref, type Ref } from 'vue'

interface Cell {
  row: number
  column: number
}

/** A block of cells between where it was begun and where it ends; moved by keys, stretched with Shift or by dragging.
 * @param first where it begins; brought within the cells that there are */
export function useBlock(rows: Ref<number>, columns: Ref<number>, first: Cell) {
  const begun = ref(first)
  const end = ref(first)
  const within = (cell: Cell): Cell => ({
    row: Math.max(0, Math.min(rows.value - 1, cell.row)),
    column: Math.max(0, Math.min(columns.value - 1, cell.column)),
  })
  const focus = computed(() => within(end.value))
  const sides = computed(() => {
    const [a, b] = [within(begun.value), focus.value]
    return {
      top: Math.min(a.row, b.row),
      bottom: Math.max(a.row, b.row),
      left: Math.min(a.column, b.column),
      right: Math.max(a.column, b.column),
    }
  })

  function goTo(cell: Cell, stretch = false) {
    end.value = within(cell)
    if (!stretch) begun.value = end.value
  }

  function move(rowsDown: number, columnsRight: number, stretch: boolean) {
    goTo({ row: focus.value.row + rowsDown, column: focus.value.column + columnsRight }, stretch)
  }

  /** Everything between two cells, the first where the block begins. */
  function span(from: Cell, to: Cell) {
    begun.value = within(from)
    end.value = within(to)
  }

  const holds = (row: number, column: number) =>
    row >= sides.value.top && row <= sides.value.bottom && column >= sides.value.left && column <= sides.value.right

  return { focus, sides, goTo, move, span, holds }
}
