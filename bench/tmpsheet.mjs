import sharp from "sharp";
const [out, W, H, cols, ...ins] = process.argv.slice(2);
const w = +W, h = +H, c = +cols, rows = Math.ceil(ins.length / c);
const parts = await Promise.all(ins.map(async (f, i) => ({ input: await sharp(f).resize(w, h, { fit: "contain", position: "top", background: "#888" }).toBuffer(), left: (i % c) * w, top: Math.floor(i / c) * h })));
await sharp({ create: { width: c * w, height: rows * h, channels: 3, background: "#888" } }).composite(parts).png().toFile(out);
