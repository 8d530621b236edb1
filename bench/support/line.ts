import { createServer, connect, type AddressInfo, type Server, type Socket } from 'node:net'

/** A line to a port of this machine, which can go silent as a cable does, or break. */
export class Line {
  private readonly sockets = new Set<Socket>()
  private isSilent = false

  private constructor(
    private readonly server: Server,
    readonly to: number,
  ) {}

  static async to(port: number): Promise<Line> {
    const server = createServer({ allowHalfOpen: true })
    const line = new Line(server, port)
    server.on('connection', (from) => line.join(from))
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
    return line
  }

  get port(): number {
    return (this.server.address() as AddressInfo).port
  }

  private join(from: Socket): void {
    const onward = connect({ host: '127.0.0.1', port: this.to, allowHalfOpen: true })
    for (const [one, other] of [
      [from, onward],
      [onward, from],
    ] as const) {
      this.sockets.add(one)
      one.on('data', (bytes) => {
        if (!other.write(bytes)) one.pause()
      })
      other.on('drain', () => this.isSilent || one.resume())
      one.on('end', () => other.end())
      one.on('error', () => other.destroy())
      one.on('close', () => {
        this.sockets.delete(one)
        other.destroy()
      })
    }
    if (this.isSilent) for (const one of [from, onward]) one.pause()
  }

  /** Nothing comes through any more, and nobody is told. */
  silence(): void {
    this.isSilent = true
    for (const one of this.sockets) one.pause()
  }

  speak(): void {
    this.isSilent = false
    for (const one of this.sockets) one.resume()
  }

  /** Whoever speaks is cut off, and may come again. */
  break(): void {
    for (const one of this.sockets) one.destroy()
  }

  end(): void {
    this.break()
    this.server.close()
  }
}
