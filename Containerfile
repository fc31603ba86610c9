# The command line in a container: see docs/scale.md.
FROM node:20-slim
WORKDIR /dragoman
COPY package.json package-lock.json .npmrc ./
RUN npm ci --omit=dev
COPY . .
ENTRYPOINT ["node", "--import", "tsx", "src/cli/main.ts"]
CMD ["batch"]
