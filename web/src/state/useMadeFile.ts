import { cutWords } from './cutWords'
import { useJob } from './useJob'
import type { Job } from '@/api/types'

/**
 * Has the server make a file as a job, and takes it when it is done.
 * @param kind where its jobs are asked for
 */
export function useMadeFile(kind: 'packages' | 'stems') {
  const { run, ...job } = useJob(kind)

  /** @param begin starts the job */
  function make(begin: () => Promise<Job>) {
    return run(begin, (done) => {
      save(`/api/${kind}/${done.id}/file`)
      const cut = cutWords(done.cut, kind === 'stems' ? 'take 32 bit, floating' : undefined)
      return done.silentBecause ? `Downloaded, but it is silent. ${done.silentBecause.join(' ')}` : `Downloaded.${cut}`
    })
  }

  return { ...job, make }
}

function save(address: string) {
  const link = document.createElement('a')
  link.href = address
  link.download = ''
  link.click()
}
